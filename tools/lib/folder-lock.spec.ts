import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { lockFolder } from './folder-lock.mjs';

let folder = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'intervex-lock-'));
});
afterEach(() => {
  rmSync(folder, { recursive: true, force: true });
});
const as = (instance: string) => ({ instance, address: `http://127.0.0.1:4300/${instance}` });
const kept = () => JSON.parse(readFileSync(join(folder, 'running.json'), 'utf8')) as { pid: number };

describe('a data folder', () => {
  it('is held by one: the second hears who, and the first gives it back', () => {
    const first = lockFolder(folder, as('one'));
    expect(lockFolder(folder, as('two'))).toMatchObject({
      holder: { pid: process.pid, instance: 'one', address: 'http://127.0.0.1:4300/one' },
    });
    if (!('release' in first)) throw new Error('The first did not get it.');
    first.release();
    expect(readdirSync(folder)).toEqual([]);
    expect('release' in lockFolder(folder, as('two'))).toBe(true);
  });

  it('passes over a holder that died, or whose number another process has by now', async () => {
    const other = spawn(process.execPath, ['-e', 'setInterval(() => {}, 1000)']);
    const gone = new Promise((done) => other.once('exit', done));
    lockFolder(folder, as('old'));
    // The number lives, but the process began at another time.
    writeFileSync(join(folder, 'running.json'), JSON.stringify({ ...kept(), pid: other.pid }));
    expect('release' in lockFolder(folder, as('new'))).toBe(true);
    other.kill('SIGKILL');
    await gone;
    writeFileSync(join(folder, 'running.json'), JSON.stringify({ ...kept(), pid: other.pid }));
    expect('release' in lockFolder(folder, as('next'))).toBe(true);
    expect(kept().pid).toBe(process.pid);
  });

  it('passes over a lock that was cut off while it was written', () => {
    writeFileSync(join(folder, 'running.json'), '{"pid": 1');
    expect('release' in lockFolder(folder, as('new'))).toBe(true);
  });
});

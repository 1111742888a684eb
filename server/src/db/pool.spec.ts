import { createServer, type Server, type Socket } from 'node:net';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { afterEach, describe, expect, it } from 'vitest';
import { LiveFeed } from '../live/feed';
import { createPool } from './pool';
import { startTrouble } from './start-trouble';
import { withTransaction } from './transaction';

/** A message of the database’s protocol: its letter, its length, its bytes. */
const message = (letter: string, bytes: Buffer): Buffer => {
  const head = Buffer.alloc(5);
  head.write(letter, 0, 'latin1');
  head.writeInt32BE(bytes.length + 4, 1);
  return Buffer.concat([head, bytes]);
};
const text = (...parts: string[]) => Buffer.from(parts.map((p) => `${p}\0`).join(''), 'latin1');
const OK = message('R', Buffer.from([0, 0, 0, 0]));
const READY = message('Z', Buffer.from('I'));
const GOODBYE = message(
  'E',
  Buffer.concat([text('SFATAL', 'C57P01', 'Mterminating connection'), Buffer.from([0])]),
);

const servers: Server[] = [];
/** Something that speaks as a database does, up to a point. */
async function speaker(answer: (socket: Socket) => void): Promise<string> {
  const server = createServer((socket) => {
    socket.on('error', () => undefined);
    socket.once('data', () => {
      answer(socket);
    });
  });
  servers.push(server);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return `postgres://a:b@127.0.0.1:${(server.address() as AddressInfo).port}/c`;
}
afterEach(() => {
  for (const server of servers.splice(0)) server.close();
});

const log = pino({ level: 'silent' });
const moment = (ms = 300) => new Promise((next) => setTimeout(next, ms));

describe('a database that hangs up in the same breath as it is ready', () => {
  it.each([
    ['with a word', (s: Socket) => s.end(Buffer.concat([OK, READY, GOODBYE]))],
    [
      'without',
      (s: Socket) => {
        s.write(Buffer.concat([OK, READY]));
        s.destroy();
      },
    ],
    ['before', (s: Socket) => s.destroy()],
    [
      'reset',
      (s: Socket) => {
        s.write(Buffer.concat([OK, READY]));
        s.resetAndDestroy();
      },
    ],
  ])('%s: the query fails, the process stays', async (_how, answer) => {
    const url = await speaker(answer);
    const pool = createPool(url, log);
    await expect(withTransaction(pool, (client) => client.query('select 1'))).rejects.toBeDefined();
    await expect(pool.query('select 1')).rejects.toBeDefined();
    const client = await pool.connect().catch(() => undefined);
    await moment();
    client?.release(true);
    await pool.end();
    const feed = new LiveFeed(url, log);
    await feed.start();
    await moment();
    expect(feed.isAway).toBe(true);
    await feed.close();
  });
});

describe('what stands in the way of a start is one sentence', () => {
  it.each([
    [{ code: 'ECONNREFUSED' }, 'nothing answers there'],
    [{ code: '28P01' }, 'the password is wrong'],
    [{ code: '42501' }, 'may not make or change tables'],
    [{ code: 'ENOTFOUND' }, 'no computer of that name'],
    [{ code: '53100' }, 'its disk is full'],
    [{ message: 'timeout exceeded when trying to connect' }, 'nothing answers there in time'],
  ])('%o', (error, words) => {
    const said = startTrouble(Object.assign(new Error('x'), error));
    expect(said).toContain(words);
    expect(said.split('\n')).toHaveLength(1);
    expect(startTrouble(new AggregateError([Object.assign(new Error('x'), error)]))).toContain(words);
  });
});

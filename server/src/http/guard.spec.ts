import express from 'express';
import { pino } from 'pino';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { request, type OutgoingHttpHeaders } from 'node:http';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { liveAddress } from '../testing/stream';
import { startHarness, type Harness } from '../testing/harness';
import { plainError, requestLog } from './request-log';

let h: Harness;
let variant = '';
let port = 0;
beforeAll(async () => {
  h = await startHarness();
  port = Number(new URL(h.url).port);
  variant = (await h.call('POST', '/api/projects', { name: 'Tern', variant: 'A', who: 'Ansa' })).json.id;
});
afterAll(() => h.close());

interface Said {
  readonly status: number;
  readonly text: string;
}

/** A request with headers as they are; fetch would set some of them itself. */
const ask = (
  method: string,
  path: string,
  headers: OutgoingHttpHeaders = {},
  body: string | Buffer = '',
): Promise<Said> =>
  new Promise((done, failed) => {
    const sent = request({ host: '127.0.0.1', port, method, path, headers }, (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('end', () => {
        done({ status: answer.statusCode ?? 0, text: Buffer.concat(parts).toString('utf8') });
      });
    });
    sent.on('error', failed);
    sent.end(body);
  });

const JSON_TYPE = { 'content-type': 'application/json' };
const NEW = JSON.stringify({ name: 'Put in from elsewhere', variant: 'A', who: 'Eve' });
const length = (body: string | Buffer) => ({ 'content-length': Buffer.byteLength(body) });

describe('another page', () => {
  it.each([
    'attacker.test',
    'attacker.test:4300',
    '127.0.0.1.attacker.test',
    '192.0.2.9',
    'localhost.attacker.test',
  ])('cannot reach this by a name of its own: %s', async (host) => {
    for (const path of ['/api/projects', '/', '/api/health']) {
      const said = await ask('GET', path, { host });
      expect(said.status).toBe(403);
      expect(JSON.parse(said.text).problems[0]).toMatchObject({ field: 'host' });
    }
  });

  it.each(['localhost', '127.0.0.1', '[::1]', 'LOCALHOST'])(
    'but this computer’s own names do: %s',
    async (host) => {
      expect((await ask('GET', '/api/projects', { host: `${host}:${port}` })).status).toBe(200);
    },
  );

  it.each(['127.0.0.1:99999', 'localhost:0x50', '127.0.0.1:-1', 'localhost:4300:4300'])(
    'cannot be one at a port that is none: %s',
    async (host) => {
      for (const origin of ['http://127.0.0.1:99999', 'http://localhost']) {
        const said = await ask('GET', '/api/projects', { host, origin });
        expect([host, said.status]).toEqual([host, 403]);
      }
    },
  );

  it('cannot reach the interface by a link to an address in other letters', async () => {
    const link = { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' };
    expect((await ask('GET', '/API/projects', link)).status).toBe(403);
    const own = await ask('GET', '/API/projects');
    expect([own.status, JSON.parse(own.text).error]).toEqual([404, 'notFound']);
  });

  it('is refused like any other where its address cannot be read', async () => {
    for (const path of ['/api/variants/%ZZ', '/api/%ZZ', '/%ZZ', '/%']) {
      const said = await ask('GET', path);
      expect([path, said.status]).toEqual([path, expect.toSatisfy((n: number) => n === 400 || n === 404)]);
      expect(JSON.parse(said.text)).toMatchObject({ message: expect.any(String) as string });
    }
  });

  it('cannot post from its own address, whatever it says of the body', async () => {
    for (const origin of [
      'http://attacker.test',
      'null',
      'http://127.0.0.1:1',
      `https://127.0.0.1.attacker.test:${port}`,
      'x',
    ]) {
      const said = await ask('POST', '/api/projects', { ...JSON_TYPE, ...length(NEW), origin }, NEW);
      expect([origin, said.status]).toEqual([origin, 403]);
      expect((await ask('GET', '/api/projects', { origin })).status).toBe(403);
    }
    const own = await ask(
      'POST',
      '/api/projects',
      { ...JSON_TYPE, ...length(NEW), origin: `http://127.0.0.1:${port}` },
      NEW,
    );
    expect(own.status).toBe(201);
  });

  it('is told apart by what the browser says of it; a link to a page may be followed', async () => {
    for (const site of ['cross-site', 'same-site']) {
      expect((await ask('GET', '/api/projects', { 'sec-fetch-site': site })).status).toBe(403);
      const link = { 'sec-fetch-site': site, 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' };
      // There is no page in this test; what matters is that it was let through.
      expect((await ask('GET', '/projects', link)).status).toBe(404);
      expect((await ask('GET', `/api/variants/${variant}/cut-sheet.pdf`, link)).status).toBe(403);
      expect((await ask('GET', '/projects', { ...link, 'sec-fetch-dest': 'iframe' })).status).toBe(403);
    }
    for (const site of ['same-origin', 'none'])
      expect((await ask('GET', '/api/projects', { 'sec-fetch-site': site })).status).toBe(200);
  });

  it.each([
    '',
    'text/plain',
    'text/plain;charset=UTF-8',
    'application/x-www-form-urlencoded',
    'multipart/form-data; boundary=x',
  ])('changes nothing with a body that any form may send: “%s”', async (type) => {
    const headers = { ...(type && { 'content-type': type }), ...length(NEW) };
    for (const [method, path] of [
      ['POST', '/api/projects'],
      ['POST', '/api/photos'],
      ['POST', '/api/drawings'],
      ['POST', `/api/variants/${variant}/undo`],
      ['PUT', '/api/share'],
      ['POST', '/api/backups'],
      ['POST', '/api/restore?sure=restore'],
    ] as const) {
      const said = await ask(method, path, headers, NEW);
      expect([path, said.status]).toEqual([path, 415]);
    }
  });
});

describe('what cannot be read is refused with field and reason', () => {
  const put = (body: string | Buffer, headers: OutgoingHttpHeaders = {}) =>
    ask('PUT', `/api/variants/${variant}/plan`, { ...JSON_TYPE, ...length(body), ...headers }, body);
  const bad: readonly (readonly [string, () => Promise<Said>])[] = [
    ['% in an address', () => ask('GET', '/api/variants/%E0%A4%A')],
    ['% in a file', () => ask('GET', `/api/variants/${variant}/shapes/%ff`)],
    ['a bracketed id', () => ask('GET', `/api/variants/[${variant}]`)],
    ['a braced id', () => ask('GET', `/api/variants/{${variant}}`)],
    ['an id in a list', () => ask('GET', `/api/live?listens[]=${variant}`)],
    ['a revision beyond counting', () => put(JSON.stringify({ baseRevision: 2 ** 31, plan: {}, who: 'A' }))],
    ['a body that is no gzip', () => put('{}', { 'content-encoding': 'gzip' })],
    [
      'a body that is half a gzip',
      () => put(gzipSync(Buffer.from(NEW)).subarray(0, 20), { 'content-encoding': 'gzip' }),
    ],
    [
      'a zero character',
      () => ask('POST', '/api/projects', { ...JSON_TYPE }, '{"name":"a\\u0000b","variant":"A","who":"B"}'),
    ],
    [
      'half a character',
      () => ask('POST', '/api/projects', { ...JSON_TYPE }, '{"name":"a\\ud800","variant":"A","who":"B"}'),
    ],
    [
      'an unseen name',
      () =>
        ask(
          'POST',
          '/api/projects',
          { ...JSON_TYPE },
          JSON.stringify({ name: '\u200b\u2060', variant: 'A', who: 'B' }),
        ),
    ],
    [
      'a turned name',
      () =>
        ask(
          'POST',
          '/api/projects',
          { ...JSON_TYPE },
          JSON.stringify({ name: 'Tern\u202egnp', variant: 'A', who: 'B' }),
        ),
    ],
    [
      'a name of spaces',
      () =>
        ask('POST', '/api/projects', { ...JSON_TYPE }, JSON.stringify({ name: 'A', variant: 'A', who: '   ' })),
    ],
    ['a page beyond counting', () => ask('GET', `/api/variants/${variant}/history?before=99999999999`)],
    ['a revision that is none', () => ask('GET', `/api/variants/${variant}/revisions/NaN`)],
  ];
  it.each(bad)('%s', async (_what, send) => {
    const { status, text } = await send();
    expect(status).toBe(400);
    const { problems } = JSON.parse(text) as { problems: { field: string; wrong: string; right: string }[] };
    expect(problems[0]?.field).toBeTruthy();
    expect(problems[0]?.right).toBeTruthy();
  });

  const drawing = (text: string) =>
    ask('POST', '/api/drawings?units=mm', { 'content-type': 'application/dxf', ...length(text) }, text);
  const circle = (x: string, y: string, r: string) => `0\nCIRCLE\n8\n0\n10\n${x}\n20\n${y}\n40\n${r}\n`;
  const dxf = (inside: string) => `0\nSECTION\n2\nENTITIES\n${inside}0\nENDSEC\n0\nEOF\n`;
  it.each([
    ['without sections', '0\nSECTION\n0\nEOF\n'],
    ['of one section that is empty', dxf('')],
    ['whose circle has no middle', dxf('0\nCIRCLE\n8\n0\n40\n10\n')],
    ['whose radius is none', dxf(circle('0', '0', 'NaN'))],
    ['whose radius is negative', dxf(circle('0', '0', '-12'))],
    ['whose radius has no end', dxf(circle('0', '0', '1e400'))],
    ['whose middle is none', dxf(circle('x', 'y', '10'))],
    ['with far too much in it', dxf(circle('0', '0', '10').repeat(20_001))],
    ['of a polyline without points', dxf('0\nLWPOLYLINE\n8\n0\n90\n2\n')],
  ])('a drawing %s', async (_what, text) => {
    const { status, text: said } = await drawing(text);
    expect(status).toBe(400);
    expect(JSON.parse(said).problems[0].field).toBe('file');
  });

  it('takes an id in any letter case', async () => {
    expect((await ask('GET', `/api/variants/${variant.toUpperCase()}`)).status).toBe(200);
  });

  it('ends a question for a stream with its head alone', async () => {
    const head = await ask('HEAD', liveAddress(variant));
    expect(head).toEqual({ status: 200, text: '' });
  });
});

describe('who is slow', () => {
  const opened: Socket[] = [];
  afterAll(() => {
    opened.forEach((socket) => socket.destroy());
  });
  /** Sends a little now and then, and tells when it was cut off. */
  const dribble = (first: string, then: string): Promise<number> =>
    new Promise((done) => {
      const began = Date.now();
      const socket = connect(port, '127.0.0.1', () => {
        socket.write(first);
        const timer = setInterval(() => socket.write(then), 700);
        socket.on('close', () => {
          clearInterval(timer);
          done(Date.now() - began);
        });
      });
      socket.on('error', () => undefined);
      socket.resume();
      opened.push(socket);
    });

  it('with headers or a body is cut off within 15 s', async () => {
    const body = `PUT /api/variants/${variant}/plan HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 90000\r\n\r\n{"a":"`;
    const both = await Promise.all([
      dribble('GET /api/projects HTTP/1.1\r\nHost: 127.0.0.1\r\n', 'X-A: b\r\n'),
      dribble(body, 'x'),
    ]);
    for (const ms of both) {
      expect(ms).toBeGreaterThan(3000);
      expect(ms).toBeLessThan(15_000);
    }
  }, 30_000);
});

describe('the log', () => {
  it('holds the path of a request and none of what it asks for by name', async () => {
    const lines: string[] = [];
    const log = pino({ level: 'info' }, { write: (line: string) => void lines.push(line) });
    const app = express().use(requestLog(log), (request, response) => {
      request.log.error(
        { err: Object.assign(new Error('Penn'), { severity: 'ERROR', code: '23505' }) },
        'failed',
      );
      response.status(400).end();
    });
    const server = app.listen(0, '127.0.0.1');
    await new Promise((ready) => server.once('listening', ready));
    const { port: at } = server.address() as AddressInfo;
    await fetch(`http://127.0.0.1:${at}/api/projects?find=Penn%20Hauler&who=Ansa`, {
      headers: { cookie: 'a=Penn' },
    });
    await new Promise((done) => server.close(done));
    const all = lines.join('\n');
    expect(all).toContain('/api/projects');
    expect(all).not.toMatch(/Penn|Ansa|find=/);
  });

  it('holds no values of an error', () => {
    const error = Object.assign(new Error('Key (name)=(Penn Hauler) already exists'), {
      severity: 'ERROR',
      code: '23505',
      detail: 'Penn',
    });
    expect(JSON.stringify(plainError(error))).not.toContain('Penn');
    expect(plainError(error)).toMatchObject({ code: '23505', type: 'Error' });
    expect(plainError(new TypeError('x is not a function'))).toMatchObject({ message: 'x is not a function' });
    expect(plainError('x')).toEqual({ type: 'string' });
  });
});

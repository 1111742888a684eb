import type { ShareRequest, ShareView } from '@intervex/contract';
import type { RequestHandler } from 'express';
import { createServer as createPlain, type RequestListener, type Server } from 'node:http';
import { createServer as createTls } from 'node:https';
import { isIP } from 'node:net';
import { networkInterfaces } from 'node:os';
import type { Logger } from 'pino';
import type { Pool } from '../db/pool';
import { through, type Entry } from '../http/entry';
import { refused } from '../http/refusal';
import { PATIENCE } from '../http/slow-bodies';
import { firstOwner, insertPerson, readSetting, writeSetting } from '../people/queries';
import { sessions } from '../people/sessions';
import { fingerprintOf, givenCertificate, namesOf, ownCertificate, type Certificate } from './certificate';

const SETTING = 'share';
/** How long a browser may take over its part of TLS, ms. */
const HANDSHAKE_MS = 10_000;

interface Kept {
  readonly on: boolean;
  readonly address: string;
  readonly tls: ShareView['tls'];
}
const CLOSED: Kept = { on: false, address: '', tls: 'own' };

interface WorkshopParts {
  readonly pool: Pool;
  readonly log: Logger;
  /** Where certificates of our own are kept. */
  readonly folder: string;
  /** Port that is opened; 0 takes any. */
  readonly port: number;
  /** Address that the environment opens, whatever was chosen. */
  readonly host?: string | undefined;
  /** Files of a certificate that was given. */
  readonly given?: { readonly cert: string; readonly key: string } | undefined;
}

/** The workshop’s door: a second address, opened and shut while running, behind which everybody says who he is. */
export class Workshop {
  private kept: Kept = CLOSED;
  private server: Server | undefined;
  private trouble = '';
  private fingerprint = '';
  private names: readonly string[] = [];
  private app: RequestListener | undefined;
  private session: Promise<RequestHandler> | undefined;
  private owner: { readonly name: string; readonly at: number } | undefined;

  constructor(private readonly parts: WorkshopParts) {}

  /** Open to others, or meant to be: then there are names. */
  get on(): boolean {
    return this.kept.on;
  }

  /** Opens what was open before, or what the environment asks for. */
  async start(app: RequestListener): Promise<void> {
    this.app = app;
    const { pool, host, log } = this.parts;
    const before = (await readSetting(pool, SETTING)) as Kept | undefined;
    this.kept = { ...CLOSED, ...before, ...(host ? { on: true, address: host } : {}) };
    if (!this.kept.on) return;
    if (!(await firstOwner(pool))) await insertPerson(pool, { name: 'Owner', role: 'owner', password: null });
    await this.open().catch((error: unknown) => {
      this.trouble = sentence(error);
      log.warn({ err: error }, 'the workshop’s address cannot be opened');
    });
  }

  /** Opens or shuts it. @throws Refused that says why it cannot be opened; nothing is changed then */
  async set({ on, address, tls, owner }: ShareRequest): Promise<ShareView> {
    const { pool } = this.parts;
    const wanted: Kept = { on, address: address ?? this.kept.address, tls: tls ?? this.kept.tls };
    if (on) this.refuseWrong(wanted);
    if (on && !(await firstOwner(pool)))
      await insertPerson(pool, { name: owner ?? 'Owner', role: 'owner', password: null });
    const before = this.kept;
    await this.shut();
    this.kept = wanted;
    try {
      if (on) await this.open();
    } catch (error) {
      this.kept = before;
      if (before.on) await this.open().catch(() => undefined);
      throw refused('invalid', `The address cannot be opened: ${sentence(error)}.`, [
        { field: 'address', wrong: sentence(error), right: 'an address and port that nothing else has' },
      ]);
    }
    await writeSetting(pool, SETTING, wanted);
    return this.view();
  }

  private refuseWrong({ address, tls }: Kept): void {
    const { host, given } = this.parts;
    const allowed = [...addresses(), ...(host ? [host] : [])];
    if (!allowed.includes(address))
      throw refused('invalid', 'This computer has no such address.', [
        {
          field: 'address',
          wrong: `is “${address.slice(0, 60)}”`,
          right: allowed.join(', ') || 'a network first',
        },
      ]);
    if (tls === 'given' && !given)
      throw refused('invalid', 'No certificate was given.', [
        {
          field: 'tls',
          wrong: 'is given',
          right: 'own, or INTERVEX_TLS_CERT and INTERVEX_TLS_KEY at the start',
        },
      ]);
  }

  view(): ShareView {
    const { on, address, tls } = this.kept;
    return {
      on,
      addresses: addresses(),
      address,
      port: this.port,
      tls,
      hasGiven: this.parts.given !== undefined,
      url: on && this.server ? this.url : '',
      fingerprint: on && tls !== 'none' ? this.fingerprint : '',
      trouble: this.trouble,
    };
  }

  /** Where the others open it: `https://192.0.2.7:4300`. */
  get url(): string {
    const { address, tls } = this.kept;
    const name = this.names[0] ?? (isIP(address) === 6 ? `[${address}]` : address);
    return `${tls === 'none' ? 'http' : 'https'}://${name}:${this.port}`;
  }

  /** Name of the one whose computer this is. */
  async ownerName(): Promise<string> {
    if (!this.owner || Date.now() - this.owner.at > 1000)
      this.owner = { name: (await firstOwner(this.parts.pool))?.name ?? 'Owner', at: Date.now() };
    return this.owner.name;
  }

  /** Sessions, read from the first time that somebody comes in. */
  sessions(): Promise<RequestHandler> {
    this.session ??= sessions(this.parts.pool).catch((error: unknown) => {
      this.session = undefined;
      throw error;
    });
    return this.session;
  }

  async shut(): Promise<void> {
    const { server } = this;
    this.server = undefined;
    this.trouble = '';
    if (!server) return;
    await new Promise<void>((done) => {
      server.close(() => {
        done();
      });
      server.closeAllConnections();
    });
  }

  private get port(): number {
    const at = this.server?.address();
    return typeof at === 'object' && at ? at.port : this.parts.port;
  }

  private async open(): Promise<void> {
    const { address, tls } = this.kept;
    const certificate = tls === 'none' ? undefined : await this.certificate();
    this.names = certificate && tls === 'given' ? namesOf(certificate) : [];
    this.fingerprint = certificate ? fingerprintOf(certificate) : '';
    const plain = isIP(address) === 6 ? `[${address}]` : address;
    const entry: Entry = { shared: true, names: [plain.toLowerCase(), ...this.names] };
    const listener = through(entry, (request, response) => this.app?.(request, response));
    const server = certificate
      ? (createTls(
          { ...PATIENCE, ...certificate, handshakeTimeout: HANDSHAKE_MS, minVersion: 'TLSv1.2' },
          listener,
        ) as Server)
      : createPlain(PATIENCE, listener);
    await new Promise<void>((done, failed) => {
      server.once('error', failed);
      server.listen(this.parts.port, address, () => {
        server.off('error', failed);
        server.on('error', (error) => {
          this.parts.log.warn({ err: error }, 'the workshop’s address');
        });
        done();
      });
    });
    this.server = server;
  }

  private certificate(): Promise<Certificate> {
    const { given, folder } = this.parts;
    if (this.kept.tls === 'given' && given) return givenCertificate(given.cert, given.key);
    return ownCertificate(folder, this.kept.address);
  }
}

/** Addresses of this computer that others can reach. */
function addresses(): readonly string[] {
  const all = Object.values(networkInterfaces()).flatMap((list) => list ?? []);
  return all.filter((a) => !a.internal && a.family === 'IPv4').map((a) => a.address);
}

function sentence(error: unknown): string {
  const code = error instanceof Error && 'code' in error ? error.code : '';
  if (code === 'EADDRINUSE') return 'something else has its port';
  if (code === 'EADDRNOTAVAIL') return 'this computer does not have it now';
  if (code === 'EACCES') return 'this user may not open that port';
  return error instanceof Error ? error.message.replace(/\.$/, '') : 'it cannot be opened';
}

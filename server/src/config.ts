import { isIP } from 'node:net';
import { resolve } from 'node:path';
import { PORTS } from './ports';
import { addressesOf, type Addresses } from './ports/port';

/** What the process is told by its environment. */
export interface Config {
  readonly port: number;
  readonly databaseUrl: string;
  /** Folder with the built page; absent in tests that need only the interface. */
  readonly webRoot: string | undefined;
  readonly logLevel: string;
  /** Addresses of what stands outside. */
  readonly ports: Addresses;
  /** Which start of the application this is; tools compare it to know that it is theirs that answers. */
  readonly instance: string | undefined;
  /** Where backups and certificates are kept. */
  readonly dataFolder: string;
  /** Address that is opened to the workshop, and a certificate that was given for it. */
  readonly share: {
    readonly host: string | undefined;
    readonly given: { readonly cert: string; readonly key: string } | undefined;
  };
}

function readShare(env: NodeJS.ProcessEnv): Config['share'] {
  const { INTERVEX_HOST: host, INTERVEX_TLS_CERT: cert, INTERVEX_TLS_KEY: key } = env;
  if (host && isIP(host) === 0)
    throw new Error(`INTERVEX_HOST is “${host}”; it must be an address of this computer such as 192.0.2.7.`);
  if (!cert !== !key)
    throw new Error('INTERVEX_TLS_CERT and INTERVEX_TLS_KEY go together: name both files, or none.');
  return { host: host || undefined, given: cert && key ? { cert, key } : undefined };
}

/** Reads the environment. @throws Error that names the variable and what would be right */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const port = Number(env['PORT'] ?? 4300);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`PORT is “${env['PORT'] ?? ''}”; it must be a port number such as 4300.`);
  const databaseUrl = env['DATABASE_URL'];
  if (!databaseUrl) throw new Error('DATABASE_URL is missing; set it to postgres://user@host:port/name.');
  return {
    port,
    databaseUrl,
    webRoot: env['INTERVEX_WEB_ROOT'],
    logLevel: env['LOG_LEVEL'] ?? 'info',
    ports: addressesOf(PORTS, env),
    instance: env['INTERVEX_INSTANCE'],
    dataFolder: resolve(env['INTERVEX_DATA_DIR'] ?? '.intervex'),
    share: readShare(env),
  };
}

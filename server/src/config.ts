import { PORTS } from './ports';
import { addressesOf, type Addresses } from './ports/port';

/** What the process is told by its environment. */
interface Config {
  readonly port: number;
  readonly databaseUrl: string;
  /** Folder with the built page; absent in tests that need only the interface. */
  readonly webRoot: string | undefined;
  readonly logLevel: string;
  /** Addresses of what stands outside. */
  readonly ports: Addresses;
  /** Which start of the application this is; tools compare it to know that it is theirs that answers. */
  readonly instance: string | undefined;
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
  };
}

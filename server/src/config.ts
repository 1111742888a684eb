/** Addresses of outside devices and services. */
export interface Ports {
  /** The bench of instruments. */
  readonly bench?: string;
  /** The parts counter. */
  readonly parts?: string;
  /** The shaft maker. */
  readonly maker?: string;
}

/** What the process is told by its environment. */
export interface Config {
  readonly port: number;
  readonly databaseUrl: string;
  /** Folder with the built page; absent in tests that need only the interface. */
  readonly webRoot: string | undefined;
  readonly logLevel: string;
  readonly ports: Ports;
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
  const ports = {
    ...address(env, 'INTERVEX_BENCH_URL', 'bench'),
    ...address(env, 'INTERVEX_PARTS_URL', 'parts'),
    ...address(env, 'INTERVEX_MAKER_URL', 'maker'),
  };
  return {
    port,
    databaseUrl,
    webRoot: env['INTERVEX_WEB_ROOT'],
    logLevel: env['LOG_LEVEL'] ?? 'info',
    ports,
    instance: env['INTERVEX_INSTANCE'],
  };
}

function address(env: NodeJS.ProcessEnv, name: string, key: keyof Ports): Ports {
  const url = env[name];
  if (!url) return {};
  if (!URL.canParse(url))
    throw new Error(`${name} is “${url}”; it must be an address such as http://127.0.0.1:4301.`);
  return { [key]: url };
}

import { createServer } from 'node:http';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createHttpTerminator } from 'http-terminator';
import { pino, type Logger } from 'pino';
import { createApp } from './app';
import { Backups } from './backup/backups';
import { readConfig, type Config } from './config';
import { migrate } from './db/migrate';
import { createPool, type Pool } from './db/pool';
import { startTrouble } from './db/start-trouble';
import { onceItCan } from './db/wait';
import { seedDemo } from './demo/seed';
import { HERE, through } from './http/entry';
import { LOG_OPTIONS } from './http/request-log';
import { PATIENCE } from './http/slow-bodies';
import { LiveFeed } from './live/feed';
import { liveStreams } from './live/routes';
import { PORTS } from './ports';
import { Workshop } from './share/workshop';
import { WorkPool } from './work/pool';

/** How long open requests may still take once asked to stop. */
const STOP_MS = 5000;
/** Ends with this where starting again would not help; the supervisor knows it. */
const HOPELESS = 78;

const migrations = join(dirname(fileURLToPath(import.meta.url)), '../migrations');

const tell = (line: string): void => void process.stderr.write(`${line}\n`);

/** Brings the database up to date, and waits where it cannot be used yet. */
async function prepared(pool: Pool, log: Logger): Promise<void> {
  await waitsFor(async () => {
    const ran = await migrate(pool, migrations);
    if (ran.length) log.info({ ran }, 'migrated');
    const seeded = await seedDemo(pool);
    if (seeded) log.info({ seeded }, 'demo projects put in');
  });
}

/** Does what the start needs the database for, once it can. */
async function waitsFor<T>(job: () => Promise<T>): Promise<T> {
  // Started by a supervisor that died, nobody would stop this process any more.
  const leave = () => process.exit(0);
  process.once('disconnect', leave);
  try {
    return await onceItCan(job, tell);
  } finally {
    process.off('disconnect', leave);
  }
}

/** Begins, or says in one sentence why not. */
async function main(config: Config): Promise<void> {
  const log = pino({ level: config.logLevel, ...LOG_OPTIONS });
  const pool = createPool(config.databaseUrl, log);
  await prepared(pool, log);

  const feed = new LiveFeed(config.databaseUrl, log);
  await feed.start();
  const live = liveStreams(pool, feed, log);
  const { port, dataFolder: folder, ports, share } = config;
  const work = new WorkPool();
  const backups = new Backups(pool, join(folder, 'backups'), log);
  const workshop = new Workshop({ pool, log, folder, port, ...share });
  const { webRoot, instance } = config;
  const app = createApp({ pool, log, webRoot, live, ports, instance, work, backups, workshop, migrations });
  const server = createServer(PATIENCE, through(HERE, app));
  server.on('error', (error) => {
    log.fatal({ err: error }, 'cannot listen');
    process.exit(1);
  });
  server.listen(port, '127.0.0.1', () => {
    log.info({ address: server.address() }, 'listening');
  });
  await waitsFor(() => workshop.start(app));
  backups.begin();
  for (const { id, resume } of PORTS)
    void onceItCan(async () => resume?.(pool, ports[id]), tell).then(
      (settled) => {
        if (settled) log.info({ port: id, settled }, 'what was cut off is settled');
      },
      (error: unknown) => {
        log.error({ port: id, err: error }, 'what was cut off stays so');
      },
    );

  const terminator = createHttpTerminator({ server, gracefulTerminationTimeout: STOP_MS });
  const stop = (signal: string) => {
    log.info({ signal }, 'stopping');
    live.close();
    backups.end();
    void feed.close();
    void Promise.all([terminator.terminate(), workshop.shut()])
      .then(() => work.close())
      .then(() => pool.end())
      .then(() => {
        log.info('stopped');
        process.exit(0);
      });
  };
  // `disconnect`: started by a supervisor that died, nobody would stop this process any more.
  for (const signal of ['SIGINT', 'SIGTERM', 'disconnect'] as const)
    process.once(signal, () => {
      stop(signal);
    });
}

try {
  await main(readConfig(process.env));
} catch (error) {
  process.stderr.write(`${startTrouble(error)}\n`);
  process.exit(HOPELESS);
}

import { createServer } from 'node:http';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createHttpTerminator } from 'http-terminator';
import { pino } from 'pino';
import { createApp } from './app';
import { readConfig } from './config';
import { migrate } from './db/migrate';
import { createPool } from './db/pool';
import { seedDemo } from './demo/seed';
import { LiveFeed } from './live/feed';
import { liveStreams } from './live/routes';
import { PORTS } from './ports';

/** How long open requests may still take once asked to stop. */
const STOP_MS = 5000;

const config = readConfig(process.env);
const log = pino({ level: config.logLevel });
const pool = createPool(config.databaseUrl, log);
const here = dirname(fileURLToPath(import.meta.url));

const ran = await migrate(pool, join(here, '../migrations'));
if (ran.length) log.info({ ran }, 'migrated');
const seeded = await seedDemo(pool);
if (seeded) log.info({ seeded }, 'demo projects put in');

const feed = new LiveFeed(config.databaseUrl, log);
await feed.start();
const live = liveStreams(pool, feed, log);
const server = createServer(
  createApp({ pool, log, webRoot: config.webRoot, live, ports: config.ports, instance: config.instance }),
);
server.listen(config.port, '127.0.0.1', () => {
  log.info({ address: server.address() }, 'listening');
});
for (const { id, resume } of PORTS)
  void resume?.(pool, config.ports[id]).then(
    (settled) => {
      if (settled) log.info({ port: id, settled }, 'what was cut off is settled');
    },
    (error: unknown) => {
      log.error({ port: id, err: error }, 'what was cut off stays so');
    },
  );
server.on('error', (error) => {
  log.fatal({ err: error }, 'cannot listen');
  process.exit(1);
});

const terminator = createHttpTerminator({ server, gracefulTerminationTimeout: STOP_MS });

function stop(signal: string): void {
  log.info({ signal }, 'stopping');
  live.close();
  void feed.close();
  void terminator
    .terminate()
    .then(() => pool.end())
    .then(() => {
      log.info('stopped');
      process.exit(0);
    });
}
process.once('SIGINT', () => {
  stop('SIGINT');
});
process.once('SIGTERM', () => {
  stop('SIGTERM');
});
// Started by a supervisor that died: nobody would stop this process any more.
process.once('disconnect', () => {
  stop('disconnect');
});

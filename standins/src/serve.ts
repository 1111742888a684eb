import type { Express } from 'express';
import { createServer, type Server } from 'node:http';
import { createHttpTerminator } from 'http-terminator';

/** Serves a stand-in on loopback and ends with its parent. Bad ports are refused by name. */
export function serve(app: Express, name: string): Server {
  const port = Number(process.env['PORT']);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`PORT is “${process.env['PORT'] ?? ''}”; ${name} needs a port number.`);
  const server = createServer(app);
  server.on('error', (error) => {
    process.stderr.write(`${name} cannot listen: ${error.message}\n`);
    process.exit(1);
  });
  server.listen(port, '127.0.0.1');
  const terminator = createHttpTerminator({ server, gracefulTerminationTimeout: 0 });
  const stop = () => void terminator.terminate().then(() => process.exit(0));
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
  // Started by a supervisor that died: nobody would stop this process any more.
  process.once('disconnect', stop);
  return server;
}

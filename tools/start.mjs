import { buildIfNeeded, PAGE, SERVER } from './lib/build.mjs';
import { runUntilStopped, startBelow, waitFor } from './lib/running.mjs';
import { say } from './lib/say.mjs';
import { supervise } from './lib/supervise.mjs';

/** Starts database, stand-ins and server, and keeps them running. @param {import('./lib/running.mjs').Running} of */
async function run(of) {
  const { port, address, instance, started, end, ending } = of;
  const { cluster, standins, env } = await startBelow(of);
  const server = supervise(SERVER, {
    env: { ...env, INTERVEX_WEB_ROOT: PAGE, LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn' },
    before: cluster.revive,
    onGiveUp: (message, hopeless) => {
      if (!hopeless) say(`The server does not stay up. ${message} Is port ${port} taken? Set PORT to another.`);
      void end(1);
    },
  });
  started.push(() => server.stop());
  await waitFor(address, instance, ending);
  if (ending()) return;
  say(`Intervex is ready: ${address}`);
  for (const { what, url } of standins.pages) say(`${what}, simulated, to be set by hand: ${url}`);
  say('Ctrl-C stops it and all it started. Your plans stay.');
}

runUntilStopped(process.env.PORT ?? '4300', buildIfNeeded, run).catch((error) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});

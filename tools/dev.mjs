import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { buildStandins } from './lib/build.mjs';
import { ROOT } from './lib/paths.mjs';
import { runUntilStopped, startBelow, waitFor } from './lib/running.mjs';
import { say } from './lib/say.mjs';
import { supervise } from './lib/supervise.mjs';

// Plans of its own, beside those of the start command.
process.env.INTERVEX_DATA_DIR ??= join(ROOT, '.intervex-dev');
const PORT = process.env.PORT ?? '4310';
const PAGE_PORT = process.env.PAGE_PORT ?? '4210';
const PAGE = `http://127.0.0.1:${PAGE_PORT}`;

/**
 * Builds the server at every saved file and starts it anew; while a file is wrong, the server before goes on.
 *
 * @param {NodeJS.ProcessEnv} env @param {() => Promise<void>} before what is seen to before each start
 */
async function serverAsSaved(env, before) {
  // Packages may have been installed a moment ago.
  const { context } = await import('esbuild');
  const { OPTIONS } = await import('../server/build-options.mjs');
  const outdir = join(ROOT, 'server/dist-dev');
  /** @type {ReturnType<typeof supervise> | undefined} */
  let server;
  let turn = Promise.resolve();
  const restart = async () => {
    await server?.stop();
    if (server) say('Server: started anew.');
    server = supervise(join(outdir, 'main.js'), {
      env,
      before,
      onGiveUp: (message) => say(`The server is left stopped until a file is saved. ${message}`),
    });
  };
  const built = await context({
    ...OPTIONS,
    entryPoints: { main: 'src/main.ts', worker: 'src/work/worker.ts' },
    outdir,
    plugins: [
      {
        name: 'as saved',
        setup: (build) =>
          build.onEnd(({ errors }) => {
            if (errors.length === 0) turn = turn.then(restart);
          }),
      },
    ],
  });
  await built.watch();
  return {
    async stop() {
      await built.dispose();
      await turn;
      await server?.stop();
    },
  };
}

/** Serves the page, which reloads as files are saved, and hands its questions on to the server. */
function pageAsSaved() {
  const ng = join(ROOT, 'node_modules/@angular/cli/bin/ng.js');
  const page = spawn(process.execPath, [ng, 'serve', '--port', PAGE_PORT, '--host', '127.0.0.1'], {
    cwd: join(ROOT, 'web'),
    env: { ...process.env, INTERVEX_SERVER: `http://127.0.0.1:${PORT}`, NG_CLI_ANALYTICS: 'false' },
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  const gone = new Promise((done) => page.once('exit', done));
  return {
    gone,
    async stop() {
      page.kill('SIGTERM');
      await gone;
    },
  };
}

/** Whether the page is served by now. */
const answers = () =>
  fetch(PAGE).then(
    ({ ok }) => ok,
    () => false,
  );

/** @param {import('./lib/running.mjs').Running} of */
async function run(of) {
  const { address, instance, started, end, ending } = of;
  const { cluster, env } = await startBelow(of);
  const server = await serverAsSaved(
    { ...env, NODE_ENV: 'development', LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn' },
    cluster.revive,
  );
  started.push(() => server.stop());
  const page = pageAsSaved();
  started.push(() => page.stop());
  void page.gone.then(() => {
    if (!ending()) void end(1);
  });
  await waitFor(address, instance, ending);
  while (!ending() && !(await answers())) await sleep(200);
  if (ending()) return;
  say(`Intervex is ready, and follows what you save: ${PAGE}`);
  say('Ctrl-C stops it and all it started. Its plans are its own, in .intervex-dev.');
}

runUntilStopped(PORT, buildStandins, run).catch((error) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});

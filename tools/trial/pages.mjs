import { randomUUID } from 'node:crypto';
import { get } from 'node:http';

// Holds streams of one variant open, as many pages do, until this process is killed.
const [address = '', variant = '', count = '0'] = process.argv.slice(2);
const open = () =>
  new Promise((done, failed) => {
    const listens = JSON.stringify([{ to: randomUUID(), who: 'trial', variant }]);
    get(`${address}?listens=${encodeURIComponent(listens)}`, (answer) => {
      answer.resume();
      done(undefined);
    }).once('error', failed);
  });
for (let left = Number(count); left > 0; left -= 50)
  await Promise.all(Array.from({ length: Math.min(50, left) }, open));
process.stdout.write('open\n');

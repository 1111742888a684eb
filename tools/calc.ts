import { readFileSync } from 'node:fs';
import { answerTo } from './calc-answer';

// Answers one calculation on JSON from standard input as JSON; exit code 2 and a message on bad input.
const args = process.argv.slice(2);
const answer = answerTo(args, args.length > 0 ? readFileSync(0, 'utf8') : '');
if (answer.ok) process.stdout.write(`${answer.json}\n`);
else {
  process.stderr.write(`${answer.message}\n`);
  process.exitCode = 2;
}

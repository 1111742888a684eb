import { joiOf, problemsOf } from '@intervex/contract';
import { CALCULATIONS } from '@intervex/core/calc';

/** What a calculation answers: JSON, or why it was refused. */
export type CalcAnswer =
  { readonly ok: true; readonly json: string } | { readonly ok: false; readonly message: string };

const refused = (message: string): CalcAnswer => ({ ok: false, message });

/**
 * Runs one calculation.
 *
 * @param args what stands on the command line: its name
 * @param text its input as JSON
 * @example answerTo(['shim-kit'], '{"wantedMm":0.8,"kitMm":[0.5,0.3]}') // best 0.5 and 0.3, off 0
 */
export function answerTo(args: readonly string[], text: string): CalcAnswer {
  const names = CALCULATIONS.map((c) => c.name).join(', ');
  const [name, ...more] = args;
  if (name === undefined || more.length > 0)
    return refused(`Say which calculation: npm run -s calc -- NAME < input.json. There are: ${names}.`);
  const found = CALCULATIONS.find((c) => c.name === name);
  if (!found) return refused(`There is no calculation “${name}”. There are: ${names}.`);
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch (error) {
    return refused(
      `The input of ${name} is no JSON: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
  const schema = joiOf(found.input).required();
  const { error } = schema.validate(found.tidy?.(input) ?? input, { abortEarly: false, convert: false });
  if (error) {
    const lines = problemsOf(error).map(
      (p) => `  ${p.field || 'input'}: ${p.wrong}; right would be: ${p.right}`,
    );
    return refused([`The input of ${name} is refused:`, ...lines].join('\n'));
  }
  const answer = found.run((found.tidy?.(input) ?? input) as never);
  return { ok: true, json: JSON.stringify(answer, null, 2) };
}

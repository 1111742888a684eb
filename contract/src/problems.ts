import type { ValidationError, ValidationErrorItem } from 'joi';
import type { Problem } from './wire';

/** What would be right, by the kind of refusal. */
const RIGHT: Readonly<Record<string, (item: ValidationErrorItem) => string>> = {
  'any.required': () => 'give this field',
  'object.unknown': () => 'leave this field out, or check its spelling',
  'any.only': (i) => `one of ${list(i.context?.['valids'])}`,
  'number.base': () => 'a number without quotes',
  'number.unsafe': () => 'a number of workshop size',
  'number.infinity': () => 'a finite number',
  'string.base': () => 'text in quotes',
  'string.max': (i) => `at most ${String(i.context?.['limit'])} characters`,
  'string.min': (i) => `at least ${String(i.context?.['limit'])} characters`,
  'string.empty': () => 'write something here',
  'string.pattern.name': (i) => patternRight(i),
  'string.guid': () => 'an id as this server gives it',
  'date.none': () => 'a day of the calendar',
  'string.isoDate': () => 'a time such as 2027-03-20T18:00:00Z',
  'array.min': () => 'at least one entry',
  'array.max': (i) => `at most ${String(i.context?.['limit'])} entries`,
  'object.base': () => 'an object in braces',
  'quantity.range': () => 'a value in that range',
  'shape.broken': (i) => String(i.context?.['right']),
  'array.unique': () => 'each entry once',
  'number.min': (i) => `at least ${String(i.context?.['limit'])}`,
  'number.max': (i) => `at most ${String(i.context?.['limit'])}`,
};

const list = (values: unknown): string =>
  Array.isArray(values) ? values.filter((v) => v !== '').join(', ') : '';

function patternRight(item: ValidationErrorItem): string {
  const kind: unknown = item.context?.['name'];
  if (kind === 'name' || kind === 'seen') return 'letters, figures and spaces; no < > ; or control characters';
  if (kind === 'place') return 'a quantity, a fact, donor or a check';
  return kind === 'date' ? 'a date such as 2027-03-20' : 'plain text';
}

/** Turns a Joi refusal into field, what was wrong, what would be right. */
export function problemsOf(error: ValidationError): readonly Problem[] {
  return error.details.slice(0, 20).map((item) => ({
    field: pathText(item.path),
    wrong: wrongText(item),
    right: RIGHT[item.type]?.(item) ?? 'see docs/plan-format.md',
  }));
}

function wrongText(item: ValidationErrorItem): string {
  const label = String(item.context?.['label'] ?? '');
  const text = item.message.replace(`"${label}" `, '');
  return item.type === 'object.unknown' ? `“${String(item.path.at(-1))}” is not a field here` : text;
}

function pathText(path: readonly (string | number)[]): string {
  return path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${part}` : part),
    '',
  );
}

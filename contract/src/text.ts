import Joi from 'joi';

/**
 * Characters no name takes: angle brackets, semicolons, control characters, and those that cannot be seen or turn the
 * direction of what follows, by which one name could pass for another.
 */
const NAME = /^[^<>;\p{C}\p{DI}\p{Zl}\p{Zp}\u2800]*$/u;
/** Something of it can be seen. */
const SEEN = /[^\s]/u;
/** Free text takes everything but control characters other than a line feed or tab. */
const FREE = /^(?:[^\p{Cc}\p{Cs}]|[\n\t])*$/u;

/** An id as the database makes it. Any letter case is taken and made small where values are converted. */
export const idText = () => Joi.string().guid({ separator: '-', wrapper: false }).lowercase();

/** True for a day that the calendar has: not the 31st of February. */
function isRealDay(day: string): boolean {
  const at = new Date(`${day}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(day);
}

const DAY = /^\d{4}-\d{2}-\d{2}/;
const NO_DAY = { 'date.none': '{{#label}} is no day of the calendar' };
const realDay: Joi.CustomValidator<string> = (text, helpers) =>
  isRealDay(DAY.exec(text)?.[0] ?? '') ? text : helpers.error('date.none');

/** A day such as 2027-03-20, or nothing. */
export const dayText = () =>
  Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/, 'date')
    .custom(realDay)
    .allow('')
    .messages({ 'string.pattern.name': 'must be a date such as 2027-03-20, or empty', ...NO_DAY });

/** A moment such as 2027-03-20T18:00:00Z. */
export const timeText = () => Joi.string().isoDate().custom(realDay).messages(NO_DAY);

/** Names that every object has already, and none of ours may be called by. */
const TAKEN: ReadonlySet<string> = new Set(Object.getOwnPropertyNames(Object.prototype));

/** A key of the builder’s in the plan. */
export const keyText = (shape: RegExp) =>
  Joi.string()
    .pattern(shape, 'key')
    .invalid(...TAKEN);

/** A name of a project, variant, car or person. */
export const nameText = (max = 80) =>
  Joi.string()
    .max(max)
    .pattern(NAME, 'name')
    .pattern(SEEN, 'seen')
    .messages({ 'string.pattern.name': 'has a character that names do not take, or none that can be seen' });

/** A note or a reason. */
export const freeText = (max: number) =>
  Joi.string().max(max).pattern(FREE, 'text').messages({ 'string.pattern.name': 'has a control character' });

import Joi from 'joi';

/** Characters no name takes: angle brackets, semicolons, and control characters. */
const NAME = /^[^<>;\p{Cc}\p{Cs}]+$/u;
/** Free text takes everything but control characters other than a line feed or tab. */
const FREE = /^(?:[^\p{Cc}\p{Cs}]|[\n\t])*$/u;

/** A name of a project, variant, car or person. */
export const nameText = (max = 80) =>
  Joi.string().max(max).pattern(NAME, 'name').messages({
    'string.pattern.name': 'has a character that names do not take',
  });

/** A note or a reason. */
export const freeText = (max: number) =>
  Joi.string().max(max).pattern(FREE, 'text').messages({ 'string.pattern.name': 'has a control character' });

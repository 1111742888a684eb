import type {
  AnyShape,
  Broken,
  ListShape,
  NumberShape,
  ObjectShape,
  RecordShape,
  TextShape,
} from '@intervex/core';
import Joi from 'joi';
import { dayText, freeText, keyText, nameText, timeText } from './text';

/** Name of one thing in a list of the builder’s. */
const ITEM_ID = /^[a-zA-Z0-9-]{1,40}$/;
/** Name of a size. */
const SIZE_ID = /^[a-zA-Z]{1,30}$/;

/** Makes a rule of core’s a rule of the schema: it names the field that does not go together with the others. */
const ruled = (rule: (value: never) => Broken | undefined): Joi.CustomValidator => {
  return (value: unknown, helpers) => {
    const broken = rule(value as never);
    if (!broken) return value;
    const path = broken.field ? [...(helpers.state.path ?? []), broken.field] : helpers.state.path;
    const state = { ...helpers.state, path } as Joi.State;
    return helpers.error('shape.broken', { ...broken }, state);
  };
};
const BROKEN = { 'shape.broken': '{{#wrong}}' };

const text = ({ as, min, max }: TextShape): Joi.Schema => {
  const base = as === 'name' ? nameText(max) : freeText(max);
  return min > 0 ? base.min(min) : base.allow('');
};

const number = ({ min, max, whole }: NumberShape): Joi.Schema => {
  const base = Joi.number().min(min).max(max);
  return whole ? base.integer() : base;
};

function list({ of, min, max, unique, rule }: ListShape): Joi.Schema {
  const base = Joi.array().items(joiOf(of)).min(min).max(max);
  const once = unique ? base.unique() : base;
  return rule ? once.custom(ruled(rule)).messages(BROKEN) : once;
}

function record({ of, keys, max }: RecordShape): Joi.Schema {
  if (keys === 'item') return Joi.object().pattern(keyText(ITEM_ID), joiOf(of).required()).max(max);
  if (keys === 'size') return Joi.object().pattern(keyText(SIZE_ID), joiOf(of).required()).max(max);
  return Joi.object(Object.fromEntries(keys.map((key) => [key, joiOf(of)])));
}

function object({ fields, optional, rule }: ObjectShape): Joi.Schema {
  const entries = Object.entries(fields).map(([key, shape]) => {
    const schema = joiOf(shape);
    return [key, optional.includes(key) ? schema : schema.required()] as const;
  });
  const base = Joi.object(Object.fromEntries(entries));
  return rule ? base.custom(ruled(rule)).messages(BROKEN) : base;
}

/** The schema of a field of the plan, from what core says it may hold. */
export function joiOf(shape: AnyShape): Joi.Schema {
  switch (shape.kind) {
    case 'text':
      return text(shape);
    case 'number':
      return number(shape);
    case 'list':
      return list(shape);
    case 'record':
      return record(shape);
    case 'object':
      return object(shape);
    case 'oneOf':
      return Joi.string().valid(...shape.values);
    case 'date':
      return dayText();
    case 'time':
      return timeText();
  }
}

import Joi from 'joi';
import { freeText } from '../../text';
import { MAKER_STATES, type MakerOrder, type MakerQuote } from '../../wire';

/** What the shaft maker answers, checked before it is believed. */
export const quoteSchema = Joi.object<MakerQuote>({
  number: freeText(40).required(),
  price: Joi.number().min(0).max(1_000_000).required(),
  leadDays: Joi.number().integer().min(0).max(2000).required(),
  note: freeText(300).allow('').default(''),
});
export const makerOrderSchema = Joi.object<MakerOrder>({
  number: freeText(40).required(),
  state: Joi.string()
    .valid(...MAKER_STATES)
    .required(),
  note: freeText(300).allow('').default(''),
});

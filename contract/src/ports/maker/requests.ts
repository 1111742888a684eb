import Joi from 'joi';
import { freeText, nameText } from '../../text';
import type { ReceiveRequest, SettleRequest } from '../../wire';

const who = nameText(60).required();
const mm = (least: number, most: number) => Joi.number().min(least).max(most);

export const newOrderSchema = Joi.object<{ who: string }>({ who });
/** Paying; `again` says that the same shafts are meant to be ordered twice. */
export const payOrderSchema = Joi.object<{ who: string; again?: boolean }>({ who, again: Joi.boolean() });
export const orderStepSchema = Joi.object<{ who: string; note?: string }>({
  who,
  note: freeText(300).allow(''),
});

/** Shafts that arrived, as they were measured. */
export const receivedSchema = Joi.object<ReceiveRequest>({
  who,
  shafts: Joi.array()
    .items(
      Joi.object({
        side: Joi.string().valid('left', 'right').required(),
        length: mm(50, 1500).required(),
        journal: mm(10, 120),
        splineLength: mm(2, 300),
      }),
    )
    .unique('side')
    .min(1)
    .max(2)
    .required(),
});
export const settleSchema = Joi.object<SettleRequest>({
  who,
  decision: Joi.string().valid('accept', 'sendBack').required(),
  reason: freeText(300).min(3).required(),
});

import Joi from 'joi';
import { idText, nameText } from './text';
import type { ShareView } from './wire';

const PASSWORD = { min: 8, max: 200 } as const;
const password = Joi.string().min(PASSWORD.min).max(PASSWORD.max);
const pin = Joi.string()
  .pattern(/^\d{4,8}$/, 'pin')
  .messages({ 'string.pattern.name': 'must be four to eight digits' });
const name = nameText(60).trim();
const role = Joi.string().valid('owner', 'builder', 'helper');

/** Name and password, or the PIN of the device that asks. */
export type Login = { readonly name: string; readonly password: string } | { readonly pin: string };
export const loginSchema = Joi.object<{ name?: string; password?: string; pin?: string }>({
  name: Joi.string().max(60),
  password: Joi.string().max(PASSWORD.max),
  pin: Joi.string().max(8),
})
  .with('name', 'password')
  .with('password', 'name')
  .xor('name', 'pin');

export const pairSchema = Joi.object<{ code: string; pin: string; device: string }>({
  code: Joi.string().max(20).required(),
  pin: pin.required(),
  device: name.required(),
});
export const guestSchema = Joi.object<{ token: string }>({ token: Joi.string().max(80).required() });

export interface NewPerson {
  readonly name: string;
  readonly role: 'owner' | 'builder' | 'helper';
  readonly password?: string;
}
export const newPersonSchema = Joi.object<NewPerson>({
  name: name.required(),
  role: role.required(),
  password,
});
export const personChangeSchema = Joi.object<Partial<NewPerson>>({ name, role, password }).min(1);

/** Longest a guest’s link stays open, days. */
const MOST_DAYS = 90;
export const newGuestSchema = Joi.object<{ variant: string; name: string; days: number }>({
  variant: idText().required(),
  name: name.required(),
  days: Joi.number().min(0.001).max(MOST_DAYS).required(),
});

export interface ShareRequest {
  readonly on: boolean;
  readonly address?: string;
  readonly tls?: ShareView['tls'];
  /** Name of the one who owns this, asked when it is opened for the first time. */
  readonly owner?: string;
}
export const shareSchema = Joi.object<ShareRequest>({
  on: Joi.boolean().required(),
  address: Joi.string().max(60),
  tls: Joi.string().valid('own', 'given', 'none'),
  owner: name,
});
export const pageSchema = Joi.object<{ before?: number; limit: number }>({
  before: Joi.number().integer().min(1).max(Number.MAX_SAFE_INTEGER),
  limit: Joi.number().integer().min(1).max(200).default(60),
});

/** What is put back: the body of the request, or what was set aside under a name; and the word that it is meant. */
export const restoreQuerySchema = Joi.object<{ sure: 'restore'; aside?: string; revives?: 'yes' }>({
  sure: Joi.string().valid('restore').required(),
  aside: Joi.string().pattern(/^aside_\d{8,20}$/, 'name'),
  revives: Joi.string().valid('yes'),
});

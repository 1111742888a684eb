import Joi from 'joi';

/** The mark by which a backup is known. */
export const FORMAT = 'intervex-backup';
export const VERSION = 2;
/** From this version on what ends a backup holds a digest of each table. */
export const DIGESTED = 2;
/** First and last file of a backup; between them the tables in pieces, `data/projects/000001`. */
export const HEAD = 'backup.json';
export const END = 'end.json';
/** Largest piece of a table, bytes. */
export const PIECE = 1024 * 1024;

export interface TableHead {
  readonly name: string;
  readonly columns: readonly string[];
  readonly rows: number;
}

/** What stands first in a backup. */
export interface BackupHead {
  readonly format: typeof FORMAT;
  readonly version: number;
  readonly madeAt: string;
  /** Migrations the data were written under. */
  readonly migrations: readonly string[];
  /** In the order in which they can be filled. */
  readonly tables: readonly TableHead[];
}

const NAME = /^[a-z_]{1,60}$/;
export const headSchema = Joi.object<BackupHead>({
  format: Joi.string().valid(FORMAT).required(),
  version: Joi.number().integer().min(1).max(VERSION).required(),
  madeAt: Joi.string().isoDate().required(),
  migrations: Joi.array()
    .items(Joi.string().pattern(/^\d{4}_\w+\.sql$/))
    .max(1000)
    .required(),
  tables: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().pattern(NAME).required(),
        columns: Joi.array().items(Joi.string().pattern(NAME)).min(1).max(100).required(),
        rows: Joi.number().integer().min(0).required(),
      }),
    )
    .max(100)
    .required(),
});

/** What stands last in a backup: that it is whole, and SHA-256 in hex of what stands first and of each table’s rows. */
export interface BackupEnd {
  readonly whole: true;
  readonly head: string;
  readonly tables: Readonly<Record<string, string>>;
}

const DIGEST = Joi.string().pattern(/^[0-9a-f]{64}$/);
export const endSchema = Joi.object<BackupEnd>({
  whole: Joi.boolean().valid(true).required(),
  head: DIGEST.required(),
  tables: Joi.object().pattern(NAME, DIGEST).max(100).required(),
});

/** What is only of the moment, or of this installation alone, and stands in no backup. */
export const LEFT_OUT: readonly string[] = ['migrations', 'presence', 'pair_codes', 'secrets', 'sessions'];

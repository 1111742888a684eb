import { describe, expect, it } from 'vitest';
import { readConfig } from '../config';
import { isRetryable, isUnavailable } from '../db/errors';
import { attachment } from './attachment';

describe('errors of the database', () => {
  const coded = (code: string) => Object.assign(new Error('said in any language'), { code });

  it.each(['ECONNREFUSED', 'ECONNRESET', '08006', '57P01', '57P03', '53300'])(
    '%s means: not there now',
    (code) => {
      expect(isUnavailable(coded(code))).toBe(true);
    },
  );

  it('looks into several at once, and at what the driver says without a code', () => {
    expect(isUnavailable(new AggregateError([coded('ECONNREFUSED')]))).toBe(true);
    expect(isUnavailable(new Error('Connection terminated unexpectedly'))).toBe(true);
    expect(isUnavailable(new Error('timeout exceeded when trying to connect'))).toBe(true);
  });

  it.each(['23505', '42P01', '22P02'])('%s is a mistake, not an absence', (code) => {
    expect(isUnavailable(coded(code))).toBe(false);
  });

  it('tries again only where the database asks for it', () => {
    expect(isRetryable(coded('40001'))).toBe(true);
    expect(isRetryable(coded('40P01'))).toBe(true);
    expect(isRetryable(coded('23505'))).toBe(false);
    expect(isRetryable('40001')).toBe(false);
  });
});

describe('file names', () => {
  it('hold no character that a header or a disk would take amiss', () => {
    const header = attachment('Tern/“even up”\r\nX: 1 cut sheet.pdf');
    expect(header).not.toMatch(/[\r\n/]/);
    expect(header).toMatch(/^attachment; filename="/);
  });
});

describe('configuration', () => {
  it('reads the environment', () => {
    expect(readConfig({ DATABASE_URL: 'postgres://x', PORT: '4317' })).toMatchObject({ port: 4317 });
  });

  it('names the variable that is wrong and what would be right', () => {
    expect(() => readConfig({ PORT: 'many', DATABASE_URL: 'postgres://x' })).toThrow(/PORT is “many”.*4300/);
    expect(() => readConfig({})).toThrow(/DATABASE_URL is missing/);
  });
});

import { create } from 'content-disposition';

/**
 * Value of a Content-Disposition header for a file that is saved, or shown, under a name.
 *
 * @example attachment('Tern.pdf') // attachment; filename="Tern.pdf"
 */
export const attachment = (name: string, type: 'attachment' | 'inline' = 'attachment'): string =>
  create(name.replace(/[/\\\p{Cc}]+/gu, '-'), { type });

import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { serve } from '../serve';
import { makerApp } from './app';
import page from './operator.html';
import { Shop, type Book, type Order } from './shop';

/** The book in the data folder, so that a restart forgets no order; a book that cannot be read begins anew. */
function bookIn(folder: string): Book {
  const file = join(folder, 'shaft-maker.json');
  return {
    read: () => {
      try {
        return JSON.parse(readFileSync(file, 'utf8')) as readonly Order[];
      } catch {
        return [];
      }
    },
    write: (orders) => {
      mkdirSync(folder, { recursive: true });
      writeFileSync(`${file}.new`, JSON.stringify(orders));
      renameSync(`${file}.new`, file);
    },
  };
}

const folder = process.env['INTERVEX_DATA_DIR'];
serve(makerApp(new Shop(folder ? bookIn(folder) : undefined), page), 'The shaft maker');

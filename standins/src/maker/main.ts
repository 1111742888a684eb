import { bookIn } from '../book';
import { serve } from '../serve';
import { makerApp } from './app';
import { page } from './operator';
import { Shop, type Order } from './shop';

serve(
  makerApp(new Shop(bookIn<Order>(process.env['INTERVEX_DATA_DIR'], 'shaft-maker')), page),
  'The shaft maker',
);

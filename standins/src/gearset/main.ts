import { bookIn } from '../book';
import { serve } from '../serve';
import { gearSetApp } from './app';
import { GearSets, type KeptSet } from './gear-sets';
import { page } from './operator';

serve(
  gearSetApp(new GearSets(bookIn<KeptSet>(process.env['INTERVEX_DATA_DIR'], 'gear-sets')), page),
  'The gear set bench',
);

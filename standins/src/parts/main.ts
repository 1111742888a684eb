import { serve } from '../serve';
import { counterApp } from './app';
import { catalogue } from './catalogue';
import { page } from './operator';

serve(counterApp(catalogue(), page), 'The parts counter');

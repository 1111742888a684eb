import { serve } from '../serve';
import { benchApp } from './app';
import { bench } from './devices';
import page from './operator.html';

serve(benchApp(bench(), page), 'The bench');

import { figuresOf, idsOf } from '../../stage';
import { angleChecks } from './angles-stage';
import { angles, level, oldAxle } from './figures/car';
import { LEVEL } from './level-quantities';
import { levelChecks } from './level-stage';
import { node } from './node';
import { surveyChecks } from './survey-stage';

const LEVEL_IDS = idsOf(LEVEL);

export const stands = node('stands', (r) => levelChecks(r.of(level), figuresOf(r, LEVEL_IDS), r.limit));
export const closes = node('closes', (r) => surveyChecks(r.of(oldAxle), r.limit));
export const slopes = node('slopes', (r) => angleChecks(r.of(angles)));

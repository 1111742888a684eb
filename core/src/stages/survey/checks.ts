import { angleChecks } from './angles-stage';
import { angles, level, oldAxle } from './figures/car';
import { levelChecks } from './level-stage';
import { node } from './node';
import { surveyChecks } from './survey-stage';

export const stands = node('stands', (r) => levelChecks(r.of(level), r.figure, r.limit));
export const closes = node('closes', (r) => surveyChecks(r.of(oldAxle), r.limit));
export const slopes = node('slopes', (r) => angleChecks(r.of(angles)));

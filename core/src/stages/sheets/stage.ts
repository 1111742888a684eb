import { stage } from '../../stage';
import { cutDecision, marksDecision, shaftsDecision } from '../cut/decisions';
import { sheets } from './words';

/** The stage with all that it computes. */
export const sheetsStage = stage(sheets, {
  state: { after: [cutDecision, marksDecision, shaftsDecision], ofAll: true },
});

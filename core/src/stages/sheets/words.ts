import { words } from '../../stage';

export const sheets = words({
  id: 'sheets',
  title: 'Sheets',
  quantities: [],
  facts: [],
  limits: [],
  section: {},
});

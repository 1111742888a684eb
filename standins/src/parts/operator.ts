import { FAILING, operatorPage, SLOW } from '../operator-page';

export const page = operatorPage({
  title: 'Parts counter stand-in',
  intro: 'How the simulated counter behaves toward Intervex.',
  fields: [FAILING, { name: 'outOfStock', label: 'Nothing is in stock' }, SLOW],
});

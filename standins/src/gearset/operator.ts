import { FAILING, NONSENSE, operatorPage, SLOW } from '../operator-page';

export const page = operatorPage({
  title: 'Gear set stand-in',
  intro: 'How the simulated gear sets behave toward Intervex, and how far each was set up.',
  fields: [
    FAILING,
    NONSENSE,
    SLOW,
    { name: 'seed', label: 'Seed of the next sets, 0 for any', most: 2 ** 31 - 1, step: 1 },
  ],
  list: `
        const sets = await get('/shelf');
        const mm = (s) => s.pinionShim + ' / ' + s.ringSide + ' / ' + s.otherSide + ' mm';
        list.replaceChildren(
          ...sets.map((set) => {
            const row = document.createElement('article');
            row.append(
              set.difficulty + ', ' + set.trials.length + ' trials, last ' + mm(set.trials.at(-1) ?? set.first) + '. ',
              set.truth ? 'Right: ' + mm(set.truth) + '.' : 'Not opened.',
            );
            return row;
          }),
        );
        if (!sets.length) list.textContent = 'No sets yet.';`,
});

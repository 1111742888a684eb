import { shimPack } from '../../../mechanics';
import { calculation, list, number, object } from '../../../stage';

interface KitInput {
  readonly wantedMm: number;
  readonly kitMm: readonly number[];
}

export const shimKit = calculation<KitInput>({
  name: 'shim-kit',
  what: 'The shims of a kit, each used at most once, that make a thickness best.',
  input: object<KitInput>({ wantedMm: number(0, 20), kitMm: list(number(0.005, 10), { max: 60 }) }),
  fields: { wantedMm: 'thickness wanted, mm', kitMm: 'thickness of each shim there is, mm' },
  gives: {
    best: 'shims to take, thickest first, mm; the fewest where packs are equally near',
    offMm: 'their sum less what was wanted, mm',
  },
  example: { wantedMm: 0.83, kitMm: [0.5, 0.3, 0.2, 0.12] },
  run: ({ wantedMm, kitMm }) => {
    const { best, off } = shimPack(wantedMm, kitMm);
    return { best, offMm: off };
  },
});

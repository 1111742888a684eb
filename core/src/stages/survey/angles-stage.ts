import type { Check } from '../../checks';
import { derive, type Figure } from '../../measure';
import { ANGLE_IDS, quantity, quantityInSentence, quantityName } from '../../plan';
import { absoluteAngle, type GaugeReading } from './relative-angle';

/** Gauge figures by quantity id, and for each what the gauge was zeroed on (`level` or a quantity id). */
export interface AnglesInput {
  readonly figures: Readonly<Record<string, Figure | undefined>>;
  readonly zeroedOn: Readonly<Record<string, string | undefined>>;
}

export interface AngleResult {
  readonly id: string;
  readonly label: string;
  /** As the gauge showed it. */
  readonly shown: Figure;
  readonly zeroedOn: string | undefined;
  /** Against level; absent where the chain of zeros has no end. */
  readonly slope?: Figure;
  /** Why there is no slope. */
  readonly trouble?: string;
}

/** Every angle that was read, against what it was zeroed on and against level. */
export function anglesStage({ figures, zeroedOn }: AnglesInput): readonly AngleResult[] {
  const readings: Record<string, GaugeReading> = {};
  for (const id of ANGLE_IDS) {
    const figure = figures[id];
    const zero = zeroedOn[id];
    if (figure) readings[id] = zero ? { shown: figure.value, zeroedOn: zero } : { shown: figure.value };
  }
  return ANGLE_IDS.flatMap((id) => {
    const shown = figures[id];
    return shown ? [resultOf(id, shown, readings, figures)] : [];
  });
}

function resultOf(
  id: string,
  shown: Figure,
  readings: Readonly<Record<string, GaugeReading>>,
  figures: AnglesInput['figures'],
): AngleResult {
  const label = quantityName(quantity(id));
  const base = { id, label, shown, zeroedOn: readings[id]?.zeroedOn };
  const found = absoluteAngle(id, readings);
  if (found.status === 'lacks')
    return { ...base, trouble: `it was zeroed on ${nameOf(found.lacks)}, which has not been read` };
  if (found.status === 'circular')
    return { ...base, trouble: `it is zeroed on itself: ${found.chain.map(nameOf).join(' → ')}` };
  if (found.chain.length === 1) return { ...base, slope: shown };
  const inputs = Object.fromEntries(found.chain.map((part, i) => [`α_${i + 1}`, figures[part] as Figure]));
  const symbols = Object.keys(inputs);
  return {
    ...base,
    slope: derive({
      id: `slope.${id}`,
      label: `${label}, against level`,
      unit: 'rad',
      formula: symbols.map((s) => `{${s}}`).join(' + '),
      source: 'Gauge readings along the chain of what it was zeroed on',
      inputs,
    }),
  };
}

const nameOf = (id: string): string => quantityInSentence(quantity(id));

/** A stop for every angle whose zeros lead nowhere. */
export function angleChecks(angles: readonly AngleResult[]): Check[] {
  return angles.flatMap(({ id, label, trouble }) =>
    trouble
      ? [
          {
            id: `angle.${id}`,
            stage: quantity(id).stage,
            level: 'caution' as const,
            title: `${label}: no slope against level`,
            reason: `Of ${label.toLowerCase()}, ${trouble}. What it is against that stays true.`,
            todo: 'Read what the gauge was zeroed on against level, or say what it was really zeroed on.',
            at: id,
          },
        ]
      : [],
  );
}

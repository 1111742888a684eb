import { quantityInSentence, quantityName, type Check, type Quantity, type StageName } from '../../stage';
import { derive, type Figure } from '../../measure';
import type { CAR_ANGLES } from './angle-quantities';
import type { DONOR_ANGLES } from '../donor/angle-quantities';
import { absoluteAngle, type GaugeReading } from './relative-angle';

/** Gauge figures by quantity id, and for each what the gauge was zeroed on (`level` or a quantity id). */
/** A quantity that may be read against another angle: the car’s or the donor’s. */
type AngleId = (typeof CAR_ANGLES | typeof DONOR_ANGLES)[number]['id'];

/** An angle that may be read. */
type Angle = Pick<Quantity<AngleId>, 'id' | 'label' | 'side' | 'stage'>;

export interface AnglesInput {
  /** In walking order. */
  readonly angles: readonly Angle[];
  readonly figures: (id: AngleId) => Figure | undefined;
  readonly zeroedOn: Readonly<Record<string, string | undefined>>;
}

export interface AngleResult {
  readonly id: AngleId;
  readonly label: string;
  readonly stage: StageName;
  /** As the gauge showed it. */
  readonly shown: Figure;
  readonly zeroedOn: string | undefined;
  /** Against level; absent where the chain of zeros has no end. */
  readonly slope?: Figure;
  /** Why there is no slope. */
  readonly trouble?: string;
}

/** Every angle that was read, against what it was zeroed on and against level. */
export function anglesStage({ angles, figures, zeroedOn }: AnglesInput): readonly AngleResult[] {
  const readings: Record<string, GaugeReading> = {};
  for (const { id } of angles) {
    const figure = figures(id);
    const zero = zeroedOn[id];
    if (figure) readings[id] = zero ? { shown: figure.value, zeroedOn: zero } : { shown: figure.value };
  }
  return angles.flatMap((angle) => {
    const shown = figures(angle.id);
    return shown ? [resultOf(angle, shown, readings, { angles, figures })] : [];
  });
}

function resultOf(
  angle: Angle,
  shown: Figure,
  readings: Readonly<Record<string, GaugeReading>>,
  { angles, figures }: Pick<AnglesInput, 'angles' | 'figures'>,
): AngleResult {
  const { id } = angle;
  const label = quantityName(angle);
  const nameOf = (other: string) => {
    const found = angles.find((a) => a.id === other);
    return found ? quantityInSentence(found) : other;
  };
  const base = { id, label, stage: angle.stage, shown, zeroedOn: readings[id]?.zeroedOn };
  const found = absoluteAngle(id, readings);
  if (found.status === 'lacks')
    return { trouble: `it was zeroed on ${nameOf(found.lacks)}, which has not been read`, ...base };
  if (found.status === 'circular')
    return { trouble: `it is zeroed on itself: ${found.chain.map(nameOf).join(' → ')}`, ...base };
  if (found.chain.length === 1) return { slope: shown, ...base };
  const inputs = Object.fromEntries(
    found.chain.map((part, i) => [`α_${i + 1}`, figures(part as AngleId) as Figure]),
  );
  const symbols = Object.keys(inputs);
  return {
    slope: derive({
      id: `slope.${id}`,
      label: `${label}, against level`,
      unit: 'rad',
      formula: symbols.map((s) => `{${s}}`).join(' + '),
      source: 'Gauge readings along the chain of what it was zeroed on',
      inputs,
    }),
    ...base,
  };
}

/** A stop for every angle whose zeros lead nowhere. */
export function angleChecks(angles: readonly AngleResult[]): Check[] {
  return angles.flatMap(({ id, label, stage, trouble }) =>
    trouble
      ? [
          {
            id: `angle.${id}`,
            stage,
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

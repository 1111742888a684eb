import { sized } from '../../../measure';
import { optionText, type FactKind, type PartOffer } from '../../../stage';
import { bothRow, textCell, type SheetRow } from '../../../stage';
import { DONOR_FACTS } from '../../donor/facts';
import { using } from '../../shafts/figures/in-use';
import { SURVEY_FACTS } from '../../survey/facts';
import { HUB_FACTS } from '../facts';
import type { Reads } from '../node';

const KINDS: readonly FactKind[] = [...DONOR_FACTS, ...SURVEY_FACTS, ...HUB_FACTS];

/** A row of the part that was chosen from the counter; none where none was. */
export const offerRow = (offer: PartOffer | undefined): SheetRow[] =>
  offer
    ? [
        bothRow(
          offer.name,
          `${offer.seller}, ${offer.leadDays} days`,
          textCell(`${offer.number}, ${offer.price}`),
        ),
      ]
    : [];

/** A fact as it is written; undefined while it is not known. */
export function factOf(r: Reads, id: Parameters<Reads['fact']>[0]): string | undefined {
  const fact = r.fact(id);
  return (
    fact &&
    optionText(
      KINDS.find((kind) => kind.id === id),
      fact.value,
    )
  );
}

/** The wheel’s pattern in words; undefined until count and circle are known. */
export function patternText(r: Reads): string | undefined {
  const use = using(r);
  const [n, pcd] = [use('car.wheelHoles'), use('car.wheelPcd')];
  return n && pcd ? `${n.value} × ${sized(pcd.value)}` : undefined;
}

import type { Figure } from '@intervex/core';
import type { RouteSummary } from '@intervex/core/routes';

/** One line of the comparison: its text for each way, or a figure with its working. */
interface RouteRow {
  readonly label: string;
  readonly cells: readonly RouteCell[];
  /** Not the same for all ways. */
  readonly differs: boolean;
  /** Begins a group of lines. */
  readonly head?: string;
}

interface RouteCell {
  readonly text: string;
  /** Something that stands against the way. */
  readonly bad?: boolean;
}

type Show = (figure: Figure | undefined) => string;
type Of = (route: RouteSummary) => RouteCell;

const text = (value: string, bad = false): RouteCell => (bad ? { text: value, bad } : { text: value });
const money = (value: number): RouteCell => text(value.toFixed(0));
const count = (n: number, bad = false): RouteCell => text(String(n), bad && n > 0);

/**
 * All lines by which ways are compared.
 *
 * @param show prints a figure in the unit chosen; a dash where there is none
 */
export function routeRows(routes: readonly RouteSummary[], show: Show): readonly RouteRow[] {
  const lines: readonly (readonly [label: string, of: Of, head?: string])[] = [
    ['Donor', (r) => text(r.donor || '–'), 'What it is'],
    ['Decision', (r) => text(decision(r), r.verdict?.verdict === 'rejected')],
    ['WMS width', (r) => text(show(r.width)), 'Cut and shafts'],
    ['Cut, left', (r) => text(show(r.cut.left))],
    ['Cut, right', (r) => text(show(r.cut.right))],
    ['Shaft, left', (r) => text(show(r.shaft.left))],
    ['Shaft, right', (r) => text(show(r.shaft.right))],
    ['Factor on yield', (r) => text(r.factor === undefined ? 'not known' : r.factor.toFixed(1))],
    ['Fit', (r) => count(r.joints.fits), 'Joints'],
    ['Fit with work', (r) => count(r.joints.work)],
    ['Do not fit', (r) => text(r.blocked.length ? r.blocked.join(', ') : '0', r.blocked.length > 0)],
    ['Unknown', (r) => count(r.joints.unknown)],
    ['Purchase', (r) => money(r.money.purchase), 'Money'],
    ['Missing parts', (r) => money(r.money.parts)],
    ['Shafts', (r) => money(r.money.shafts)],
    ['Machining and welding', (r) => money(r.money.machining)],
    ['Work on the joints', (r) => money(r.money.joints)],
    ['Re-drill or adapters', (r) => money(r.money.pattern)],
    ['Together', (r) => text(r.money.total.toFixed(0) + (r.money.unpriced.length ? ' +' : ''))],
    [
      'Own hours',
      (r) => text(r.timeKnown ? String(Math.round(r.hours * 10) / 10) : 'not known'),
      'Time and risk',
    ],
    ['Days to finish', (r) => text(r.timeKnown ? String(r.days) : 'not known')],
    ['Spares', (r) => text(r.spares)],
    ['Open questions', (r) => count(r.questions)],
    ['Stops', (r) => count(r.stops.length, true)],
    ['Cautions', (r) => count(r.cautions)],
  ];
  return lines.map(([label, of, head]) => {
    const cells = routes.map(of);
    const differs = new Set(cells.map((c) => c.text)).size > 1;
    return { label, cells, differs, ...(head === undefined ? {} : { head }) };
  });
}

function decision({ verdict }: RouteSummary): string {
  if (!verdict) return 'not decided';
  return `${verdict.verdict}: ${verdict.reason}`;
}

import type { Type } from '@angular/core';
import type { MarkMove } from '../drawing/view-svg';
import type { PlanStore } from '../state/plan-store';
import type { Choices, FactId, HeadingId, PlaceId, Plan, QuantityId, Results, View } from '@intervex/core';

/** A choice of the plan among a few, by what each is called. */
export type PanelChoice = {
  [K in keyof Choices]: {
    readonly of: K;
    readonly label: string;
    readonly names: Readonly<Record<Choices[K], string>>;
  };
}[keyof Choices];

/** A part of the panel beside the desk; left out while `shown` says no. */
export type PanelPart<H extends HeadingId = HeadingId> = {
  readonly shown?: (plan: Plan) => boolean;
} & (
  | {
      /** Every reading and fact of a heading of the stage. */
      readonly group: H;
      /** Heading of the other side, in columns beside it; and what both are called. */
      readonly with?: H;
      readonly title?: string;
      /** Under the heading before it. */
      readonly bare?: true;
      /** What is looked at stands before what is read. */
      readonly factsFirst?: true;
    }
  | {
      /** Fields that belong under another heading as well, or to another stage. */
      readonly title?: string;
      readonly said?: string;
      /** Under a title. */
      readonly choices?: readonly PanelChoice[];
      readonly readings?: readonly QuantityId[];
      readonly facts?: readonly FactId[];
    }
  | {
      readonly part: Type<unknown>;
      /** Under the heading before it. */
      readonly under?: true;
    }
);

/** A part of a stage’s screen: what stands on its desk, and beside it. */
export interface StageTab<H extends HeadingId = HeadingId> {
  readonly id: string;
  readonly name: string;
  /** Said beside the stage’s title while it is open. */
  readonly subtitle?: string;
  /** Drawing on the desk, or several side by side. */
  readonly view?: (results: Results) => View | undefined | readonly (View | undefined)[];
  /** Several drawings stand over one another instead of side by side. */
  readonly stacked?: true;
  /** The first drawing stands over the two others. */
  readonly gathered?: true;
  /** The drawing needs more of the desk than the results. */
  readonly tall?: true;
  /** What is dragged in it is chosen, not read; left out, it is as its quantity is usually read. */
  readonly dragged?: 'chosen';
  /** What is dragged in it is no reading: how it is put into the plan. */
  readonly move?: (store: PlanStore, move: MarkMove) => void;
  /** As on paper: nothing in it is dragged or edited. */
  readonly still?: true;
  /** Said where there is no such drawing yet. */
  readonly empty?: string;
  /** What stands under the drawing, or instead of one. */
  readonly desk?: readonly Type<unknown>[];
  /** Its own panel; left out, the stage’s. */
  readonly panel?: readonly PanelPart<H>[];
  /** Headings whose fields open it when they take focus or are asked for. */
  readonly groups?: readonly H[];
  /** Single places that open it: a field, a joint. */
  readonly places?: readonly PlaceId[];
}

/** Going through a stage’s readings one at a time. */
export interface StageWalk<H extends HeadingId = HeadingId> {
  readonly view: (results: Results) => View;
  /** Headings it keeps to, and of those only what is read; all where it is left out. */
  readonly only?: (plan: Plan) => readonly H[];
  /** A phone begins with it. */
  readonly byItself?: true;
}

/** How a stage looks: everything the frame needs to know of it. */
export interface StageLook<H extends HeadingId = HeadingId> {
  /** Said beside its title where its tab says nothing. */
  readonly subtitle?: (plan: Plan) => string;
  /** What its tabs choose among, for those who cannot see it. */
  readonly tabsLabel?: string;
  /** At least one; a single one shows no tabs. */
  readonly tabs: readonly StageTab<H>[];
  /** What stands on every desk: over what the tab shows, and under it. */
  readonly above?: Type<unknown>;
  readonly below?: readonly Type<unknown>[];
  readonly panel?: readonly PanelPart<H>[];
  /** Tab it begins with; else the first. */
  readonly first?: (results: Results) => string | undefined;
  readonly walk?: StageWalk<H>;
}

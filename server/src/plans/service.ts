import type { RevisionKind, SaveRequest, StaleRefusal, StepRequest, VariantView } from '@intervex/contract';
import { EMPTY_PLAN, type Plan } from '@intervex/core';
import { createPatch } from 'rfc6902';
import type { Client, Pool } from '../db/pool';
import { withTransaction } from '../db/transaction';
import { Refused, refused } from '../http/refusal';
import {
  findVariant,
  insertProject,
  insertRevision,
  insertVariant,
  lockProject,
  ordersUnderWay,
  planAt,
  removeProject,
  removeVariant,
  type Db,
  type VariantHead,
} from './queries';

/** Places that differ between two plans, as JSON pointers. */
const changedBetween = (from: Plan, to: Plan): string[] => [
  ...new Set(createPatch(from, to).map((o) => o.path)),
];

/** A variant as the wire shows it. @throws Refused where there is none */
export async function readVariant(db: Db, id: string): Promise<VariantView> {
  return view(await existing(db, id));
}

async function existing(db: Db, id: string, lock = false): Promise<VariantHead> {
  const found = await findVariant(db, id, lock);
  if (!found) throw noVariant();
  return found;
}

const noVariant = (): Refused =>
  refused('notFound', 'There is no such variant.', [
    { field: 'id', wrong: 'is not known', right: 'an id from the list of projects' },
  ]);

function view({ node: _node, parent: _parent, redo: _redo, ...rest }: VariantHead): VariantView {
  return rest;
}

interface NewProject {
  readonly name: string;
  readonly variant: string;
  readonly who: string;
  readonly plan?: Plan;
  readonly kind?: RevisionKind;
}

/** Makes a project with one variant, inside a transaction of the caller's. */
export async function createProjectIn(client: Client, project: NewProject): Promise<string> {
  const projectId = await insertProject(client, project.name);
  return addVariant(client, {
    projectId,
    name: project.variant,
    plan: project.plan ?? EMPTY_PLAN,
    who: project.who,
    kind: project.kind ?? 'create',
  });
}

export async function createProject(pool: Pool, project: NewProject): Promise<VariantView> {
  return withTransaction(pool, async (client) => readVariant(client, await createProjectIn(client, project)));
}

interface NewVariant {
  readonly projectId: string;
  readonly name: string;
  readonly plan: Plan;
  readonly who: string;
  readonly kind: RevisionKind;
}

/** Makes a variant with its first revision, inside a transaction of the caller's. */
export async function addVariant(
  client: Client,
  { projectId, name, plan, who, kind }: NewVariant,
): Promise<string> {
  const variantId = await insertVariant(client, projectId, name);
  await insertRevision(client, {
    variantId,
    revision: 1,
    kind,
    parent: null,
    restores: null,
    plan,
    changed: [],
    who,
  });
  return variantId;
}

interface Copied {
  readonly copyOf: string;
  readonly name: string;
  /** In place of the plan of the one it is copied of. */
  readonly plan?: Plan;
  readonly who: string;
}

/** Makes another variant of the same project with the plan of an existing one, or one made of that. */
export async function copyVariant(pool: Pool, { copyOf, name, plan, who }: Copied): Promise<VariantView> {
  return withTransaction(pool, async (client) => {
    const { projectId, plan: same } = await existing(client, copyOf);
    const made = { projectId, name, plan: plan ?? same, who, kind: 'create' } as const;
    return readVariant(client, await addVariant(client, made));
  });
}

const stays = (message: string, right: string): Refused =>
  refused('inUse', message, [{ field: 'id', wrong: 'cannot be taken off the list', right }]);

function nothingUnderWay(what: string, orders: readonly string[]): void {
  if (orders.length)
    throw stays(
      `This ${what} stays: its order ${orders.join(' and ')} is under way.`,
      'to receive what was ordered first, and take it or send it back',
    );
}

/** Takes a variant off the list. @throws Refused for the only one of its project, or while an order of it is under way */
export async function dropVariant(pool: Pool, id: string): Promise<void> {
  await withTransaction(pool, async (client) => {
    const project = await lockProject(client, id);
    if (!project) throw noVariant();
    if (project.variants === 1)
      throw stays(
        'This is the only variant of its project, and a project has at least one.',
        'another variant beside it first, or to remove the project',
      );
    nothingUnderWay('variant', await ordersUnderWay(client, { variant: id }));
    await removeVariant(client, id);
  });
}

/** Takes a project off the list. @throws Refused while an order of it is under way */
export async function dropProject(pool: Pool, id: string): Promise<boolean> {
  return withTransaction(pool, async (client) => {
    nothingUnderWay('project', await ordersUnderWay(client, { project: id }));
    return removeProject(client, id);
  });
}

/** Saves a plan as a new revision. @throws Refused `stale` where somebody saved since the base revision */
export async function savePlan(pool: Pool, id: string, request: SaveRequest): Promise<VariantView> {
  return withTransaction(pool, async (client) => {
    const head = await atBase(client, id, request.baseRevision);
    const changed = changedBetween(head.plan, request.plan);
    if (changed.length === 0) return view(head);
    await append(client, head, {
      kind: 'edit',
      parent: head.node,
      restores: null,
      plan: request.plan,
      changed,
      who: request.who,
    });
    return readVariant(client, id);
  });
}

/** Takes back the last edit, or brings it back, as a new revision. */
export async function stepPlan(
  pool: Pool,
  id: string,
  step: 'undo' | 'redo',
  request: StepRequest,
): Promise<VariantView> {
  return withTransaction(pool, async (client) => {
    const head = await atBase(client, id, request.baseRevision);
    const restores = step === 'undo' ? head.parent : head.redo;
    const plan = restores === null ? undefined : await planAt(client, id, restores);
    if (restores === null || !plan) throw refused('nothingToUndo', `There is nothing to ${step}.`);
    await append(client, head, {
      kind: step,
      parent: null,
      restores,
      plan,
      changed: changedBetween(head.plan, plan),
      who: request.who,
    });
    return readVariant(client, id);
  });
}

/**
 * Changes a plan as it stands, inside a transaction of the caller’s: what the program learned itself, such as a shaft
 * that was measured and taken, reaches the plan whether a page is open or not.
 */
export async function editPlan(
  client: Client,
  id: string,
  who: string,
  change: (plan: Plan) => Plan,
): Promise<void> {
  const head = await existing(client, id, true);
  const plan = change(head.plan);
  const changed = changedBetween(head.plan, plan);
  if (changed.length === 0) return;
  await append(client, head, { kind: 'edit', parent: head.node, restores: null, plan, changed, who });
}

interface Appended {
  readonly kind: RevisionKind;
  readonly parent: number | null;
  readonly restores: number | null;
  readonly plan: Plan;
  readonly changed: readonly string[];
  readonly who: string;
}

const append = (client: Client, head: VariantHead, revision: Appended): Promise<void> =>
  insertRevision(client, { variantId: head.id, revision: head.revision + 1, ...revision });

async function atBase(client: Client, id: string, base: number): Promise<VariantHead> {
  const head = await existing(client, id, true);
  if (head.revision === base) return head;
  const basePlan = await planAt(client, id, base);
  if (!basePlan)
    throw refused('invalid', `Revision ${base} does not exist.`, [
      { field: 'baseRevision', wrong: `is ${base}`, right: `a revision up to ${head.revision}` },
    ]);
  const changed = changedBetween(basePlan, head.plan);
  const body: StaleRefusal = {
    error: 'stale',
    message: 'Somebody saved this variant since you opened it. Nothing was overwritten.',
    problems: [{ field: 'baseRevision', wrong: `is ${base}`, right: String(head.revision) }],
    current: view(head),
    base: basePlan,
    changed,
  };
  throw new Refused(body);
}

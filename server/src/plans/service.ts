import type {
  PlanFile,
  RemovedRefusal,
  RevisionKind,
  SaveRequest,
  StaleRefusal,
  StepRequest,
  VariantView,
} from '@intervex/contract';
import { EMPTY_PLAN, type Plan } from '@intervex/core';
import type { Client, Pool } from '../db/pool';
import { withTransaction } from '../db/transaction';
import { Refused, refused } from '../http/refusal';
import type { Editor } from '../people/identity';
import { photosThere } from '../photos/queries';
import { benchOnly, changedBetween, checkedAgainst, stamped } from './changes';
import { remember } from './plan-cache';
import {
  findVariant,
  insertProject,
  insertRevision,
  insertVariant,
  lockProject,
  ordersUnderWay,
  planAt,
  removedAs,
  removeProject,
  removeVariant,
  type Db,
  type VariantHead,
} from './queries';

/** A variant as the wire shows it. @throws Refused where there is none */
export async function readVariant(db: Db, id: string): Promise<VariantView> {
  return view(await existing(db, id));
}

async function existing(db: Db, id: string, lock = false): Promise<VariantHead> {
  const found = await findVariant(db, id, lock);
  if (!found) throw (await wasRemoved(db, id)) ?? noVariant();
  return found;
}

/** Says who took a variant off the lists, and when; nothing where it never was. */
async function wasRemoved(db: Db, id: string): Promise<Refused | undefined> {
  const removed = await removedAs(db, id);
  if (!removed) return undefined;
  const { kind, name, who } = removed;
  const by = who === undefined ? '' : ` by ${who}`;
  const message = `The ${kind} ${name} was removed${by}. Nothing of it is lost.`;
  const problems = [{ field: 'id', wrong: 'was removed', right: 'to have the owner bring it back' }];
  const body: RemovedRefusal = { error: 'removed', message, problems, removed };
  return new Refused(body);
}

const noVariant = (): Refused =>
  refused('notFound', 'There is no such variant.', [
    { field: 'id', wrong: 'is not known', right: 'an id from the list of projects' },
  ]);

function view({ node: _node, parent: _parent, redo: _redo, json: _json, ...rest }: VariantHead): VariantView {
  return rest;
}

/** A variant as it goes over the wire, without writing out again what is written already. */
function wireOf({
  node: _node,
  parent: _parent,
  redo: _redo,
  json,
  plan: _plan,
  ...rest
}: VariantHead): string {
  return `${JSON.stringify(rest).slice(0, -1)},"plan":${json}}`;
}

/** A variant as it goes over the wire. @throws Refused where there is none */
export async function readVariantJson(db: Db, id: string): Promise<string> {
  return wireOf(await existing(db, id));
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

/** Makes a project of a plan file. Where people are known, what it holds stands under whoever brings it. Photos stay where they were taken: those that are not here are left out, and said. */
export async function importProject(
  pool: Pool,
  { project, variant, plan: written }: PlanFile,
  { who, named }: Editor,
): Promise<VariantView> {
  const plan = named ? stamped(written, EMPTY_PLAN, who) : written;
  const here = await photosThere(pool, Object.keys(plan.photos));
  const photos = Object.fromEntries(Object.entries(plan.photos).filter(([id]) => here.has(id)));
  const left = Object.values(plan.photos).length - Object.values(photos).length;
  const made = await createProject(pool, {
    name: project,
    variant,
    who,
    plan: { ...plan, photos },
    kind: 'import',
  });
  const said = left
    ? [`${left === 1 ? '1 photo' : `${left} photos`} that the file names and does not hold`]
    : [];
  return said.length ? { ...made, dropped: [...(made.dropped ?? []), ...said] } : made;
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
  readonly by: Editor;
}

/** Makes another variant of the same project with the plan of an existing one, or one made of that. */
export async function copyVariant(pool: Pool, { copyOf, name, plan, by }: Copied): Promise<VariantView> {
  return withTransaction(pool, async (client) => {
    const { projectId, plan: same } = await existing(client, copyOf);
    if (plan) await knownPhotos(client, plan, same);
    const { who, named } = by;
    const wanted = plan && named ? stamped(plan, same, who) : plan;
    const made = { projectId, name, plan: wanted ?? same, who, kind: 'create' } as const;
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

/**
 * Saves a plan as a new revision.
 *
 * @param beside looks through many changes beside this process
 * @returns the variant as it goes over the wire
 * @throws Refused `stale` where somebody saved since the base revision; what of the plan is wrong; what of it he may not
 * change
 */
export async function savePlan(
  pool: Pool,
  id: string,
  { baseRevision, plan: sent }: Pick<SaveRequest, 'baseRevision' | 'plan'>,
  editor: Editor,
  beside: (parts: Readonly<Record<string, unknown>>) => Promise<unknown>,
): Promise<string> {
  const head = await atBase(pool, id, baseRevision);
  const checked = await checkedAgainst(sent as unknown as Readonly<Record<string, unknown>>, head.plan, beside);
  return wireOf(await append(pool, head, editor, { kind: 'edit', plan: checked }));
}

/** Puts an earlier revision back as a new one. @throws Refused as `savePlan`, or where there is no such revision */
export async function restorePlan(
  pool: Pool,
  id: string,
  { baseRevision, revision }: { readonly baseRevision: number; readonly revision: number },
  editor: Editor,
): Promise<string> {
  const head = await atBase(pool, id, baseRevision);
  const plan = await planAt(pool, id, revision);
  if (!plan) throw noRevision(revision, head.revision);
  return wireOf(await append(pool, head, editor, { kind: 'restore', plan }));
}

/** Takes back the last edit, or brings it back, as a new revision. */
export async function stepPlan(
  pool: Pool,
  id: string,
  step: 'undo' | 'redo',
  { baseRevision }: Pick<StepRequest, 'baseRevision'>,
  editor: Editor,
): Promise<string> {
  const head = await atBase(pool, id, baseRevision);
  const restores = step === 'undo' ? head.parent : head.redo;
  const plan = restores === null ? undefined : await planAt(pool, id, restores);
  if (restores === null || !plan) throw refused('nothingToUndo', `There is nothing to ${step}.`);
  await append(pool, head, editor, { kind: step, plan, restores });
  return readVariantJson(pool, id);
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
  await append(
    client,
    head,
    { who, named: false, benchOnly: false },
    { kind: 'edit', plan: change(head.plan) },
  );
}

interface Appended {
  readonly kind: RevisionKind;
  readonly plan: Plan;
  /** Revision whose state it stands for, of an undo or redo. */
  readonly restores?: number;
}

/** Appends a revision to a head; nothing where it says the same. @returns the variant as it then stands */
async function append(
  db: Db,
  head: VariantHead,
  { who, named, benchOnly: bench }: Editor,
  { kind, plan: wanted, restores }: Appended,
): Promise<VariantHead> {
  const plan = named && kind === 'edit' ? stamped(wanted, head.plan, who) : wanted;
  const changed = changedBetween(head.plan, plan);
  if (changed.length === 0 && restores === undefined) return head;
  if (bench) benchOnly(changed);
  if (kind === 'edit') await knownPhotos(db, plan, head.plan);
  const [revision, parent] = [head.revision + 1, restores === undefined ? head.node : null];
  const of = { variantId: head.id, revision, parent, restores: restores ?? null, kind, plan, changed, who };
  const written = await insertRevision(db, of);
  if (!written) throw await staleOr404(db, head.id, head.revision);
  const { savedAt, at, json } = written;
  remember(head.id, { at, plan, dropped: [], json });
  const { redoes: _redoes, redoesBy: _redoesBy, dropped: _dropped, ...rest } = head;
  return {
    ...rest,
    revision,
    savedAt: savedAt.toISOString(),
    plan,
    json,
    canUndo: true,
    canRedo: false,
    undoes: changed,
    undoesBy: who,
    last: { kind, who },
    node: revision,
    parent: head.node,
    redo: null,
  };
}

/** Refuses photos that nobody put in. */
async function knownPhotos(db: Db, plan: Plan, before: Plan): Promise<void> {
  const fresh = Object.keys(plan.photos).filter((id) => !(id in before.photos));
  if (fresh.length === 0) return;
  const known = await photosThere(db, fresh);
  const problems = fresh
    .filter((id) => !known.has(id))
    .map((id) => ({
      field: `plan.photos.${id}`,
      wrong: 'is no photo that was put in',
      right: 'an id as POST /api/photos gives it',
    }));
  if (problems.length)
    throw refused('invalid', 'The plan is refused: it has a photo that was never put in.', problems);
}

const noRevision = (wanted: number, newest: number): Refused =>
  refused('invalid', `Revision ${wanted} does not exist.`, [
    { field: 'revision', wrong: `is ${wanted}`, right: `a revision up to ${newest}` },
  ]);

/** A plan as it stood. @throws Refused where there is no such variant or revision */
export async function readRevision(db: Db, id: string, revision: number): Promise<Plan> {
  const head = await existing(db, id);
  const plan = await planAt(db, id, revision);
  if (plan) return plan;
  throw refused(
    'notFound',
    `Revision ${revision} does not exist.`,
    noRevision(revision, head.revision).body.problems,
  );
}

async function atBase(db: Db, id: string, base: number): Promise<VariantHead> {
  const head = await existing(db, id);
  if (head.revision === base) return head;
  throw await stale(db, head, base);
}

/** What became of a variant to which nothing could be appended. */
async function staleOr404(db: Db, id: string, base: number): Promise<Refused> {
  return stale(db, await existing(db, id), base);
}

async function stale(db: Db, head: VariantHead, base: number): Promise<Refused> {
  const basePlan = await planAt(db, head.id, base);
  if (!basePlan)
    return refused('invalid', `Revision ${base} does not exist.`, [
      { field: 'baseRevision', wrong: `is ${base}`, right: `a revision up to ${head.revision}` },
    ]);
  const body: StaleRefusal = {
    error: 'stale',
    message: 'Somebody saved this variant since you opened it. Nothing was overwritten.',
    problems: [{ field: 'baseRevision', wrong: `is ${base}`, right: String(head.revision) }],
    current: view(head),
    base: basePlan,
    changed: changedBetween(basePlan, head.plan),
  };
  return new Refused(body);
}

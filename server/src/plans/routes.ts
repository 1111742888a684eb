import {
  historyQuerySchema,
  idSchema,
  importQuerySchema,
  newProjectSchema,
  newVariantSchema,
  planFile,
  projectChangeSchema,
  projectsQuerySchema,
  readPlanText,
  renameSchema,
  restoreSchema,
  revisionSchema,
  saveShellSchema,
  stepSchema,
} from '@intervex/contract';
import { json, Router, text, type Request, type RequestHandler } from 'express';
import type { Pool } from '../db/pool';
import { withTransaction } from '../db/transaction';
import { attachment } from '../http/attachment';
import { open } from '../http/doors';
import { refused, valid } from '../http/refusal';
import { note } from '../people/audit';
import { asks, editorOf } from '../people/identity';
import { isLarge, type WorkPool } from '../work/pool';
import {
  calledOf,
  listProjects,
  listRevisions,
  renameProject,
  renameVariant,
  setStrip,
  tellListed,
} from './queries';
import {
  copyVariant,
  createProject,
  dropProject,
  dropVariant,
  importProject,
  readRevision,
  readVariant,
  readVariantJson,
  restorePlan,
  savePlan,
  stepPlan,
} from './service';

/** Largest body that is read at all. */
export const BODY_LIMIT = '1mb';

export const idOf = (request: Request): string =>
  valid(idSchema, { id: request.params['id'] }, 'address', true).id;

/** Lets only JSON on. */
const jsonOnly: RequestHandler = (request, _response, next) => {
  if (!request.is('application/json'))
    throw refused('wrongType', 'The body must be JSON.', [
      { field: 'content-type', wrong: request.get('content-type') ?? 'missing', right: 'application/json' },
    ]);
  next();
};

const missing = (what: string) =>
  refused('notFound', `There is no such ${what}.`, [
    { field: 'id', wrong: 'is not known', right: 'an id from the list of projects' },
  ]);

const body: readonly RequestHandler[] = [jsonOnly, json({ limit: BODY_LIMIT, type: 'application/json' })];

/** Projects, variants, plans, their history and their files. */
export function planRoutes(pool: Pool, work: WorkPool): Router {
  const router = Router();
  open(router, 'GET /projects', async (request, response) => {
    const { found, of, projects } = await listProjects(
      pool,
      valid(projectsQuerySchema, request.query, 'search', true),
    );
    response.set({ 'X-Total-Count': String(found), 'X-Of': String(of) }).json(projects);
  });
  open(router, 'POST /projects', ...body, async (request, response) => {
    const asked = valid(newProjectSchema, request.body, 'project', true);
    response.status(201).json(await createProject(pool, { ...asked, who: asks(request, asked.who) }));
  });
  open(router, 'PATCH /projects/:id', ...body, async (request, response) => {
    const { name, strip } = valid(projectChangeSchema, request.body, 'project', true);
    const id = idOf(request);
    const changed = await withTransaction(pool, async (db) => {
      if (name !== undefined && !(await renameProject(db, id, name))) return false;
      if (name !== undefined) await note(db, request, 'project renamed', { project: id, name });
      return strip === undefined || setStrip(db, id, strip);
    });
    if (!changed) throw missing('project');
    response.status(204).end();
  });
  open(router, 'DELETE /projects/:id', async (request, response) => {
    const id = idOf(request);
    if (!(await dropProject(pool, id))) throw missing('project');
    await note(pool, request, 'project removed', { project: id, name: await calledOf(pool, id) });
    await tellListed(pool, id);
    response.status(204).end();
  });
  variantRoutes(router, pool, work);
  historyRoutes(router, pool);
  fileRoutes(router, pool, work);
  return router;
}

function variantRoutes(router: Router, pool: Pool, work: WorkPool): void {
  open(router, 'POST /variants', ...body, async (request, response) => {
    const asked = valid(newVariantSchema, request.body, 'variant', true);
    response.status(201).json(await copyVariant(pool, { ...asked, by: editorOf(request, asked.who) }));
  });
  open(router, 'GET /variants/:id', async (request, response) => {
    response.type('json').send(await readVariantJson(pool, idOf(request)));
  });
  open(router, 'PATCH /variants/:id', ...body, async (request, response) => {
    const { name } = valid(renameSchema, request.body, 'name', true);
    const id = idOf(request);
    if (!(await renameVariant(pool, id, name))) throw missing('variant');
    await note(pool, request, 'variant renamed', { variant: id, name });
    response.status(204).end();
  });
  open(router, 'DELETE /variants/:id', async (request, response) => {
    const id = idOf(request);
    await dropVariant(pool, id);
    await note(pool, request, 'variant removed', { variant: id, name: await calledOf(pool, id) });
    await tellListed(pool, id);
    response.status(204).end();
  });
  open(router, 'PUT /variants/:id/plan', ...body, async (request, response) => {
    const id = idOf(request);
    const asked = valid(saveShellSchema, request.body, 'plan');
    const beside = (parts: object) => work.run(request, 'planParts', parts);
    response.type('json').send(await savePlan(pool, id, asked, editorOf(request, asked.who), beside));
  });
  for (const step of ['undo', 'redo'] as const)
    open(router, `POST /variants/:id/${step}`, ...body, async (request, response) => {
      const id = idOf(request);
      const asked = valid(stepSchema, request.body, 'request');
      response.type('json').send(await stepPlan(pool, id, step, asked, editorOf(request, asked.who)));
    });
}

function historyRoutes(router: Router, pool: Pool): void {
  open(router, 'GET /variants/:id/history', async (request, response) => {
    const { id } = await readVariant(pool, idOf(request));
    const page = valid(historyQuerySchema, request.query, 'query', true);
    response.json(await listRevisions(pool, id, page));
  });
  open(router, 'GET /variants/:id/revisions/:revision', async (request, response) => {
    const asked = { revision: request.params['revision'] };
    const { revision } = valid(revisionSchema, asked, 'address', true);
    response.json({ revision, plan: await readRevision(pool, idOf(request), revision) });
  });
  open(router, 'POST /variants/:id/restore', ...body, async (request, response) => {
    const id = idOf(request);
    const asked = valid(restoreSchema, request.body, 'request');
    response.type('json').send(await restorePlan(pool, id, asked, editorOf(request, asked.who)));
  });
}

function fileRoutes(router: Router, pool: Pool, work: WorkPool): void {
  open(router, 'GET /variants/:id/plan-file', async (request, response) => {
    const { projectName, name, plan } = await readVariant(pool, idOf(request));
    response.set('Content-Disposition', attachment(`${projectName} ${name}.intervex.json`));
    response.type('application/json').send(`${JSON.stringify(planFile(projectName, name, plan), null, 2)}\n`);
  });
  open(
    router,
    'POST /plan-files',
    jsonOnly,
    text({ limit: BODY_LIMIT, type: 'application/json' }),
    async (request, response) => {
      const { who } = valid(importQuerySchema, request.query, 'query');
      const sent = typeof request.body === 'string' ? request.body : '';
      const read = isLarge(sent) ? await work.run(request, 'planFile', sent) : readPlanText(sent);
      if (!read.ok)
        throw refused(
          'invalid',
          `The plan file is refused: ${read.problems[0]?.field ?? 'file'}: ${read.problems[0]?.wrong ?? 'unreadable'}.`,
          read.problems,
        );
      response.status(201).json(await importProject(pool, read.file, editorOf(request, who)));
    },
  );
}

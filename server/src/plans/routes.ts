import {
  idSchema,
  importQuerySchema,
  newProjectSchema,
  newVariantSchema,
  planFile,
  projectChangeSchema,
  readPlanText,
  renameSchema,
  saveSchema,
  stepSchema,
} from '@intervex/contract';
import { json, Router, text, type Request } from 'express';
import type { Pool } from '../db/pool';
import { withTransaction } from '../db/transaction';
import { refused, valid } from '../http/refusal';
import { attachment } from '../http/attachment';
import { listProjects, listRevisions, renameProject, renameVariant, setStrip } from './queries';
import {
  copyVariant,
  createProject,
  dropProject,
  dropVariant,
  readVariant,
  savePlan,
  stepPlan,
} from './service';

/** Largest body that is read at all. */
export const BODY_LIMIT = '1mb';

export const idOf = (request: Request): string => valid(idSchema, { id: request.params['id'] }, 'address').id;

function jsonOnly(request: Request): void {
  if (!request.is('application/json'))
    throw refused('wrongType', 'The body must be JSON.', [
      { field: 'content-type', wrong: request.get('content-type') ?? 'missing', right: 'application/json' },
    ]);
}

const missing = (what: string) =>
  refused('notFound', `There is no such ${what}.`, [
    { field: 'id', wrong: 'is not known', right: 'an id from the list of projects' },
  ]);

const body = json({ limit: BODY_LIMIT, type: 'application/json' });

/** Projects, variants, plans, their history and their files. */
export function planRoutes(pool: Pool): Router {
  const router = Router();
  router.use((request, _response, next) => {
    if (request.method === 'POST' || request.method === 'PUT' || request.method === 'PATCH') jsonOnly(request);
    next();
  });

  router.get('/projects', async (_request, response) => {
    response.json(await listProjects(pool));
  });
  router.post('/projects', body, async (request, response) => {
    response
      .status(201)
      .json(await createProject(pool, valid(newProjectSchema, request.body, 'project', true)));
  });
  router.patch('/projects/:id', body, async (request, response) => {
    const { name, strip } = valid(projectChangeSchema, request.body, 'project', true);
    const id = idOf(request);
    const changed = await withTransaction(pool, async (db) => {
      if (name !== undefined && !(await renameProject(db, id, name))) return false;
      return strip === undefined || setStrip(db, id, strip);
    });
    if (!changed) throw missing('project');
    response.status(204).end();
  });
  router.delete('/projects/:id', async (request, response) => {
    if (!(await dropProject(pool, idOf(request)))) throw missing('project');
    response.status(204).end();
  });

  variantRoutes(router, pool);
  return router;
}

function variantRoutes(router: Router, pool: Pool): void {
  router.post('/variants', body, async (request, response) => {
    const asked = valid(newVariantSchema, request.body, 'variant', true);
    response.status(201).json(await copyVariant(pool, asked));
  });
  router.get('/variants/:id', async (request, response) => {
    response.json(await readVariant(pool, idOf(request)));
  });
  router.patch('/variants/:id', body, async (request, response) => {
    const { name } = valid(renameSchema, request.body, 'name', true);
    if (!(await renameVariant(pool, idOf(request), name))) throw missing('variant');
    response.status(204).end();
  });
  router.delete('/variants/:id', async (request, response) => {
    await dropVariant(pool, idOf(request));
    response.status(204).end();
  });
  router.put('/variants/:id/plan', body, async (request, response) => {
    const id = idOf(request);
    response.json(await savePlan(pool, id, valid(saveSchema, request.body, 'plan')));
  });
  for (const step of ['undo', 'redo'] as const) {
    router.post(`/variants/:id/${step}`, body, async (request, response) => {
      const id = idOf(request);
      response.json(await stepPlan(pool, id, step, valid(stepSchema, request.body, 'request')));
    });
  }
  router.get('/variants/:id/history', async (request, response) => {
    const { id } = await readVariant(pool, idOf(request));
    response.json(await listRevisions(pool, id));
  });

  router.get('/variants/:id/plan-file', async (request, response) => {
    const { projectName, name, plan } = await readVariant(pool, idOf(request));
    response.set('Content-Disposition', attachment(`${projectName} ${name}.intervex.json`));
    response.type('application/json').send(`${JSON.stringify(planFile(projectName, name, plan), null, 2)}\n`);
  });
  router.post(
    '/plan-files',
    text({ limit: BODY_LIMIT, type: 'application/json' }),
    async (request, response) => {
      const { who } = valid(importQuerySchema, request.query, 'query');
      const read = readPlanText(typeof request.body === 'string' ? request.body : '');
      if (!read.ok)
        throw refused(
          'invalid',
          `The plan file is refused: ${read.problems[0]?.field ?? 'file'}: ${read.problems[0]?.wrong ?? 'unreadable'}.`,
          read.problems,
        );
      const { project, variant, plan } = read.file;
      response
        .status(201)
        .json(await createProject(pool, { name: project, variant, who, plan, kind: 'import' }));
    },
  );
}

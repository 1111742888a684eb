import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { map, type Observable } from 'rxjs';
import type {
  DrawingAnswer,
  InstrumentList,
  OrderView,
  PairsAnswer,
  PartsAnswer,
  PhotoStored,
  ProjectReadings,
  ProjectSummary,
  ReceiveRequest,
  RevisionView,
  SaveRequest,
  SettleRequest,
  StepRequest,
  VariantView,
} from '@intervex/contract/wire';
import type { PartKind, Plan } from '@intervex/core';
import type { PairQuestion } from '@intervex/core/desks/shafts';

/** The server's interface. */
@Injectable({ providedIn: 'root' })
export class ApiService {
  private readonly http = inject(HttpClient);

  /** The first projects. */
  projects(): Observable<readonly ProjectSummary[]> {
    return this.http.get<readonly ProjectSummary[]>('/api/projects');
  }

  /** A page of the projects in which every word occurs, and how many there are. */
  projectPage(
    find: string,
    from: number,
    limit: number,
  ): Observable<{ readonly found: number; readonly of: number; readonly projects: readonly ProjectSummary[] }> {
    const params = { find, from, limit };
    return this.http.get<readonly ProjectSummary[]>('/api/projects', { params, observe: 'response' }).pipe(
      map(({ headers, body }) => {
        const projects = body ?? [];
        const count = (name: string) => Number(headers.get(name) ?? projects.length);
        return { found: count('X-Total-Count'), of: count('X-Of'), projects };
      }),
    );
  }

  createProject(name: string, variant: string, who: string): Observable<VariantView> {
    return this.http.post<VariantView>('/api/projects', { name, variant, who });
  }

  removeProject(id: string): Observable<unknown> {
    return this.http.delete(`/api/projects/${id}`);
  }

  renameProject(id: string, name: string): Observable<unknown> {
    return this.http.patch(`/api/projects/${id}`, { name });
  }

  setStrip(id: string, strip: readonly string[]): Observable<unknown> {
    return this.http.patch(`/api/projects/${id}`, { strip });
  }

  renameVariant(id: string, name: string): Observable<unknown> {
    return this.http.patch(`/api/variants/${id}`, { name });
  }

  /** Another variant beside an existing one, with its plan or with the one given. */
  copyVariant(copyOf: string, name: string, who: string, plan?: Plan): Observable<VariantView> {
    return this.http.post<VariantView>('/api/variants', { name, copyOf, who, ...(plan && { plan }) });
  }

  removeVariant(id: string): Observable<unknown> {
    return this.http.delete(`/api/variants/${id}`);
  }

  variant(id: string): Observable<VariantView> {
    return this.http.get<VariantView>(`/api/variants/${id}`);
  }

  /** Revisions before one of them, or the newest: newest first. */
  history(id: string, before: number | undefined, limit: number): Observable<readonly RevisionView[]> {
    const params: Record<string, number> = before === undefined ? { limit } : { limit, before };
    return this.http.get<readonly RevisionView[]>(`/api/variants/${id}/history`, { params });
  }

  planAt(id: string, revision: number): Observable<{ readonly plan: Plan }> {
    return this.http.get<{ readonly plan: Plan }>(`/api/variants/${id}/revisions/${revision}`);
  }

  /** Puts an earlier revision back as a new one. */
  restore(id: string, request: StepRequest & { readonly revision: number }): Observable<VariantView> {
    return this.http.post<VariantView>(`/api/variants/${id}/restore`, request);
  }

  save(id: string, request: SaveRequest): Observable<VariantView> {
    return this.http.put<VariantView>(`/api/variants/${id}/plan`, request);
  }

  step(id: string, step: 'undo' | 'redo', request: StepRequest): Observable<VariantView> {
    return this.http.post<VariantView>(`/api/variants/${id}/${step}`, request);
  }

  importReadings(id: string, table: Blob, who: string): Observable<VariantView> {
    return this.http.post<VariantView>(`/api/variants/${id}/readings.csv`, table, {
      headers: { 'Content-Type': 'text/csv' },
      params: { who },
    });
  }

  /** All variants of a project with their plans. */
  variants(projectId: string): Observable<readonly VariantView[]> {
    return this.http.get<readonly VariantView[]>(`/api/projects/${projectId}/variants`);
  }

  /** A page of all readings of a project in which every word occurs. */
  projectReadings(projectId: string, find: string, from: number, limit: number): Observable<ProjectReadings> {
    return this.http.get<ProjectReadings>(`/api/projects/${projectId}/readings`, {
      params: { find, from, limit },
    });
  }

  instruments(): Observable<InstrumentList> {
    return this.http.get<InstrumentList>('/api/instruments');
  }

  /** Presses zero or hold on an instrument. */
  press(id: string, key: 'zero' | 'hold', on: boolean): Observable<unknown> {
    return this.http.post(`/api/instruments/${id}/${key}`, { on });
  }

  /** Best pairs of stock shafts over all that the counter has. */
  shaftPairs(question: PairQuestion): Observable<PairsAnswer> {
    return this.http.post<PairsAnswer>('/api/shaft-pairs', question);
  }

  /** Orders of a project with the shaft maker, newest first. */
  orders(projectId: string): Observable<readonly OrderView[]> {
    return this.http.get<readonly OrderView[]>(`/api/projects/${projectId}/orders`);
  }

  /** Asks the maker for a quote on the shafts of a variant as it is saved. */
  quote(variantId: string, who: string): Observable<OrderView> {
    return this.http.post<OrderView>(`/api/variants/${variantId}/orders`, { who });
  }

  /** Pays a quote; `again` says that the same shafts are meant twice. */
  payOrder(id: string, who: string, again: boolean): Observable<OrderView> {
    return this.http.post<OrderView>(`/api/orders/${id}/pay`, again ? { who, again } : { who });
  }

  /** Asks the maker where the order stands. */
  lookOrder(id: string, who: string): Observable<OrderView> {
    return this.http.post<OrderView>(`/api/orders/${id}/look`, { who });
  }

  /** Measured shafts of an order. */
  receive(id: string, request: ReceiveRequest): Observable<OrderView> {
    return this.http.post<OrderView>(`/api/orders/${id}/receive`, request);
  }

  /** What is done with a wrong shaft, and why. */
  settleOrder(id: string, request: SettleRequest): Observable<OrderView> {
    return this.http.post<OrderView>(`/api/orders/${id}/settle`, request);
  }

  /** Reads a flange or hole pattern from a DXF drawing. */
  readDrawing(file: Blob, units: 'mm' | 'in' | ''): Observable<DrawingAnswer> {
    return this.http.post<DrawingAnswer>('/api/drawings', file, {
      headers: { 'Content-Type': 'application/dxf' },
      params: units ? { units } : {},
    });
  }

  /** What the parts counter has for these sizes, mm; all of a kind where there are none. */
  parts(
    kind: PartKind,
    sizes: Readonly<Record<string, number | boolean | string>> = {},
  ): Observable<PartsAnswer> {
    return this.http.get<PartsAnswer>('/api/parts', { params: { kind, ...sizes } });
  }

  addPhoto(file: Blob, who: string): Observable<PhotoStored> {
    return this.http.post<PhotoStored>('/api/photos', file, {
      headers: { 'Content-Type': file.type || 'application/octet-stream' },
      params: { who },
    });
  }

  importPlan(text: string, who: string): Observable<VariantView> {
    return this.http.post<VariantView>('/api/plan-files', text, {
      headers: { 'Content-Type': 'application/json' },
      params: { who },
    });
  }
}

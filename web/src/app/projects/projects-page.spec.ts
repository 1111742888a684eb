import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { ProjectSummary } from '@intervex/contract/wire';
import type { Plan } from '@intervex/core';
import { registerIcons } from '../shared/icons';
import { PersonService } from '../state/person.service';
import { donorPlan, read, variantView } from '../testing/bench';
import { ProjectsPage } from './projects-page';

interface NewVariant {
  readonly name: string;
  readonly plan: Plan;
}

const projects: readonly ProjectSummary[] = [
  {
    id: 'p1',
    name: 'Tern',
    variants: [{ id: 'v1', name: 'Even up', revision: 7, savedAt: '2026-11-02T10:00:00Z' }],
  },
];
let fixture: ComponentFixture<ProjectsPage>;
let http: HttpTestingController;
/** A page of the list that is asked for. */
const list = (find = '', from = 0) =>
  http.expectOne(
    (r) =>
      r.method === 'GET' &&
      r.url === '/api/projects' &&
      r.params.get('find') === find &&
      r.params.get('from') === `${from}`,
  );
const text = () => ((fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');
const click = async (words: string) => {
  const buttons = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];
  buttons.find((b) => `${b.ariaLabel ?? ''}${b.textContent ?? ''}`.includes(words))?.click();
  await fixture.whenStable();
};
const type = async (name: string, value: string, within = '') => {
  const field = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>(
    `${within} input[name=${name}]`,
  );
  if (!field) throw new Error(name);
  field.value = value;
  field.dispatchEvent(new Event('input'));
  await fixture.whenStable();
};
const settle = async () => {
  await new Promise((next) => setTimeout(next));
  await fixture.whenStable();
};

/** As the next page that is opened in this browser knows it. */
const another = () => TestBed.runInInjectionContext(() => new PersonService());

beforeEach(async () => {
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([{ path: '**', children: [] }])],
  });
  TestBed.runInInjectionContext(registerIcons);
  http = TestBed.inject(HttpTestingController);
  fixture = TestBed.createComponent(ProjectsPage);
  http.expectOne('/api/me').flush({ shared: false, role: 'owner' });
  list().flush(projects);
  await settle();
});
afterEach(() => {
  localStorage.clear();
  http.verify();
});

describe('projects', () => {
  it('leads from the top of a long list to the name of a new project', async () => {
    await click('New project');
    expect(document.activeElement?.getAttribute('name')).toBe('name');
  });

  it('looks for a car on the server, and shows more of a long list when it is asked', async () => {
    const many = Array.from({ length: 60 }, (_, i) => ({ id: `p${i}`, name: `Car ${i}`, variants: [] }));
    await click('Rename Tern');
    await type('text', 'Tern two');
    (fixture.nativeElement as HTMLElement).querySelector('ix-rename form')?.dispatchEvent(new Event('submit'));
    http.expectOne({ method: 'PATCH', url: '/api/projects/p1' }).flush(null);
    await settle();
    const counts = { 'X-Total-Count': '173', 'X-Of': '173' };
    list().flush(many, { headers: counts });
    await settle();
    expect(text()).toContain('173 of 173 projects');
    await click('113 more');
    list('', 60).flush([{ id: 'last', name: 'Car 60', variants: [] }], { headers: counts });
    await settle();
    expect(text()).toContain('Car 60');
    await type('find', ' penn ');
    await new Promise((next) => setTimeout(next, 250));
    list('penn').flush([], { headers: { 'X-Total-Count': '0', 'X-Of': '173' } });
    await settle();
    expect(text()).toContain('No project has these words');
    expect(text()).toContain('0 of 173 projects');
  });

  it('lists cars and the ways of doing them', () => {
    expect(text()).toContain('Tern');
    expect(text()).toContain('Even up');
    expect(text()).toContain('revision 7, 2 Nov 2026');
  });

  it('asks for a name, and shows field and reason when the server refuses it', async () => {
    await click('Begin the project');
    expect(text()).toContain('Give the project a name');
    await type('name', 'Hauler <b>');
    await click('Begin the project');
    const request = http.expectOne({ method: 'POST', url: '/api/projects' });
    expect(request.request.body).toMatchObject({ name: 'Hauler <b>', variant: 'First way' });
    const problems = [{ field: 'name', wrong: 'has a character that names do not take', right: 'letters' }];
    request.flush({ error: 'invalid', message: 'Refused.', problems }, { status: 400, statusText: 'Bad' });
    await settle();
    expect(text()).toMatch(/name ?: has a character.*Right would be: letters/);
    const field = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>('input[name=name]');
    expect(field?.value).toBe('Hauler <b>');
  });

  it('asks before a project leaves the list', async () => {
    await click('Remove Tern');
    expect(text()).toContain('Take Tern off this list?');
    await click('No');
    await click('Remove Tern');
    await click('Yes, remove');
    http.expectOne({ method: 'DELETE', url: '/api/projects/p1' }).flush(null);
    await settle();
    list().flush([]);
    await settle();
    expect(text()).toContain('No project yet');
  });

  const two: readonly ProjectSummary[] = projects.map((p) => ({
    ...p,
    variants: [...p.variants, { id: 'v2', name: 'Stag axle', revision: 2, savedAt: '2026-11-03T10:00:00Z' }],
  }));

  it('removes a variant where another stays, and says why where it is refused', async () => {
    expect(text()).not.toContain('Remove Even up');
    await click('Rename Tern');
    await type('text', 'Tern two');
    (fixture.nativeElement as HTMLElement).querySelector('ix-rename form')?.dispatchEvent(new Event('submit'));
    http.expectOne({ method: 'PATCH', url: '/api/projects/p1' }).flush(null);
    await settle();
    list().flush(two);
    await settle();
    await click('Remove Stag axle of Tern');
    expect(text()).toContain('Take Stag axle off this list?');
    await click('Yes, remove');
    const problems = [{ field: 'id', wrong: 'cannot be taken off the list', right: 'to receive it first' }];
    http
      .expectOne({ method: 'DELETE', url: '/api/variants/v2' })
      .flush(
        { error: 'inUse', message: 'Its order is under way.', problems },
        { status: 409, statusText: 'No' },
      );
    await settle();
    expect(text()).toContain('Its order is under way.');
    expect(text()).toContain('Stag axle');
  });

  it('begins another donor in the same car, with nothing of the old one', async () => {
    const plan = donorPlan({ 'survey.left': read('tape', 702.5), 'donor.half.left': read('tape', 792.3) });
    await click('Another donor, from Even up of Tern');
    await type('text', 'Stag axle');
    (fixture.nativeElement as HTMLElement).querySelector('ix-rename form')?.dispatchEvent(new Event('submit'));
    await settle();
    http.expectOne('/api/variants/v1').flush({ ...variantView(plan), id: 'v1' });
    await settle();
    const { body } = http.expectOne({ method: 'POST', url: '/api/variants' }).request as { body: NewVariant };
    expect(body).toMatchObject({ name: 'Stag axle', copyOf: 'v1', who: 'bench' });
    expect(Object.keys(body.plan.readings)).toContain('survey.left');
    expect(Object.keys(body.plan.readings)).not.toContain('donor.half.left');
    expect(body.plan.brief.donor).toBe('Stag axle');
  });

  it('asks once who is at the bench, and never again', async () => {
    expect(text()).toContain('Who is at the bench?');
    const fields = () => (fixture.nativeElement as HTMLElement).querySelectorAll('.ask');
    await type('person', 'Ansa; Pell', '.ask');
    fields()[0]?.querySelector('form')?.dispatchEvent(new Event('submit'));
    await settle();
    expect(fields()).toHaveLength(0);
    expect(TestBed.inject(PersonService).name()).toBe('Ansa Pell');
    expect(another().asks()).toBe(false);
  });

  it('takes “not now” for an answer', async () => {
    const ask = (fixture.nativeElement as HTMLElement).querySelector('.ask');
    [...(ask?.querySelectorAll('button') ?? [])].at(-1)?.click();
    await settle();
    expect((fixture.nativeElement as HTMLElement).querySelector('.ask')).toBeNull();
    expect([another().asks(), another().name()]).toEqual([false, 'bench']);
  });

  it('renames a variant', async () => {
    await click('Rename Even up of Tern');
    await type('text', 'Even up, 1402');
    const form = (fixture.nativeElement as HTMLElement).querySelector('ix-rename form');
    form?.dispatchEvent(new Event('submit'));
    await settle();
    const request = http.match((r) => r.method === 'PATCH')[0];
    expect(request?.request.url).toBe('/api/variants/v1');
    expect(request?.request.body).toEqual({ name: 'Even up, 1402' });
    request?.flush(null);
    await settle();
    list().flush(projects);
  });
});

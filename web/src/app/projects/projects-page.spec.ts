import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { ProjectSummary } from '@intervex/contract/wire';
import { registerIcons } from '../shared/icons';
import { ProjectsPage } from './projects-page';

const projects: readonly ProjectSummary[] = [
  {
    id: 'p1',
    name: 'Tern',
    variants: [{ id: 'v1', name: 'Even up', revision: 7, savedAt: '2026-11-02T10:00:00Z' }],
  },
];
let fixture: ComponentFixture<ProjectsPage>;
let http: HttpTestingController;
const text = () => ((fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');
const click = async (words: string) => {
  const buttons = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];
  buttons.find((b) => `${b.ariaLabel ?? ''}${b.textContent ?? ''}`.includes(words))?.click();
  await fixture.whenStable();
};
const type = async (name: string, value: string) => {
  const field = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>(`input[name=${name}]`);
  if (!field) throw new Error(name);
  field.value = value;
  field.dispatchEvent(new Event('input'));
  await fixture.whenStable();
};
const settle = async () => {
  await new Promise((next) => setTimeout(next));
  await fixture.whenStable();
};

beforeEach(async () => {
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([{ path: '**', children: [] }])],
  });
  TestBed.runInInjectionContext(registerIcons);
  http = TestBed.inject(HttpTestingController);
  fixture = TestBed.createComponent(ProjectsPage);
  http.expectOne('/api/projects').flush(projects);
  await settle();
});
afterEach(() => {
  http.verify();
});

describe('projects', () => {
  it('leads from the top of a long list to the name of a new project', async () => {
    await click('New project');
    expect(document.activeElement?.getAttribute('name')).toBe('name');
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
    http.expectOne('/api/projects').flush([]);
    await settle();
    expect(text()).toContain('No project yet');
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
    http.expectOne('/api/projects').flush(projects);
  });
});

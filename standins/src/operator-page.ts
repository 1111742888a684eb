/** A way of behaving that the operator sets: a tick, or a number. */
type OperatorField =
  | { readonly name: string; readonly label: string }
  | { readonly name: string; readonly label: string; readonly most: number; readonly step: number };

/** What every service does or does not do; a field for each. */
export const FAILING: OperatorField = { name: 'failing', label: 'Answers nothing but 503' };
export const NONSENSE: OperatorField = { name: 'nonsense', label: 'Answers nonsense' };
export const SLOW: OperatorField = { name: 'slowMs', label: 'Waits, ms', most: 60_000, step: 100 };

const input = (field: OperatorField): string =>
  'most' in field
    ? `<label>${field.label} <input type="number" name="${field.name}" min="0" max="${field.most}" step="${field.step}" /></label>`
    : `<label><input type="checkbox" name="${field.name}" /> ${field.label}</label>`;

/**
 * The page on which a service’s stand-in is set by hand: how it behaves, and what it holds.
 *
 * @param list script that fills `list`, an element; it may use `get(path)`, `post(path, value)` and `button(text, act)`,
 * which shows all anew once done
 */
export function operatorPage({
  title,
  intro,
  fields,
  list = '',
}: {
  readonly title: string;
  readonly intro: string;
  readonly fields: readonly OperatorField[];
  readonly list?: string;
}): string {
  return `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <link rel="icon" href="data:," />
    <meta name="viewport" content="width=device-width" />
    <title>${title}</title>
    <style>
      :root { color-scheme: light dark; font: 14px/1.4 system-ui, sans-serif; }
      body { max-width: 720px; margin: 24px auto; padding: 0 16px; }
      h1 { font-size: 19px; }
      form { display: flex; flex-wrap: wrap; gap: 14px; }
      article { margin-top: 12px; padding: 10px 0; border-top: 1px solid #8888; }
      button { margin-right: 6px; }
    </style>
  </head>
  <body>
    <h1>${title}</h1>
    <p>${intro}</p>
    <form>
      ${fields.map(input).join('\n      ')}
      <output></output>
    </form>
    <main></main>
    <script type="module">
      const form = document.querySelector('form');
      const out = document.querySelector('output');
      const list = document.querySelector('main');
      const get = async (path) => (await fetch(path)).json();
      const post = (path, value) =>
        fetch(path, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(value ?? {}),
        });
      const button = (text, act) => {
        const b = document.createElement('button');
        b.textContent = text;
        b.addEventListener('click', async () => {
          await act();
          await show();
        });
        return b;
      };
      const modes = await get('/modes');
      for (const field of form.querySelectorAll('input')) {
        if (field.type === 'checkbox') field.checked = modes[field.name];
        else field.value = modes[field.name];
        field.addEventListener('change', async () => {
          const value = field.type === 'checkbox' ? field.checked : Number(field.value);
          out.textContent = (await post('/modes', { [field.name]: value })).ok ? 'Set.' : 'Refused.';
        });
      }
      async function show() {
        ${list}
      }
      await show();
    </script>
  </body>
</html>
`;
}

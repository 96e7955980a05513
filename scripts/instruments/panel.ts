export const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/**
 * The panel of a stand-in: a button for each thing that it can be made to do, by its path, and what became of the last ones.
 *
 * @param state  what it is doing now
 * @param rest  markup that is safe already
 */
export const page = (
  name: string,
  state: string,
  acts: Readonly<Record<string, string>>,
  rest: string,
): string => `<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>${escaped(name)} (simulated)</title>
<style>
  body { font: 17px/1.5 system-ui, sans-serif; background: #F4EEE2; color: #1B2A2B; margin: 24px; max-width: 560px }
  h1 { font-size: 24px; margin: 0 } p { color: #55625F; margin: 4px 0 18px }
  form { display: inline } ul { list-style: none; padding: 0; font-family: monospace; font-size: 14px }
  button { font: inherit; font-weight: 600; min-height: 48px; padding: 0 16px; margin: 0 6px 8px 0; background: #FFFCF5;
    border: 1px solid #D8CDB8; border-bottom-width: 3px; border-radius: 3px; cursor: pointer }
</style>
<h1>${escaped(name)}</h1><p>Simulated. ${escaped(state)}</p>
${Object.entries(acts)
  .map(([id, label]) => `<form method="post" action="/${id}"><button>${escaped(label)}</button></form>`)
  .join('\n')}
${rest}
</html>`;

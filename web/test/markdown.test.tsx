import { describe, expect, it } from 'vitest';
import { safeHtml } from '../src/ui/Markdown';

describe('what somebody wrote in Markdown', () => {
  it('is read as such', () => {
    expect(safeHtml('Cut **well**.\n\n- one\n- two')).toContain('<strong>well</strong>');
    expect(safeHtml('- one\n- two')).toContain('<li>one</li>');
    expect(safeHtml('[why](https://quay.example/why)')).toContain(
      'href="https://quay.example/why"',
    );
  });

  it('shows the pictures that were kept for it, and asks for no others', () => {
    const name = 'a'.repeat(12);
    const html = safeHtml(`![A flag](picture:${name})`, '/api/exercises/e/pictures/');
    expect(html).toContain(`<img src="/api/exercises/e/pictures/${name}" alt="A flag">`);
    for (const other of [
      '![x](https://quay.example/x.png)',
      '![x](/api/me)',
      `![x](picture:${name}0)`,
      '![x](picture:../me)',
      '<img src="data:image/png;base64,AA">',
    ]) {
      expect(safeHtml(other, '/api/exercises/e/pictures/')).not.toContain('<img');
    }
    expect(safeHtml(`![x](picture:${name})`)).not.toContain('<img');
    expect(safeHtml(`[x](picture:${name})`, '/p/')).not.toContain('href');
  });

  it.each([
    '<script>alert(1)</script>',
    '<img src=x onerror=alert(1)>',
    '[x](javascript:alert(1))',
    '[x](data:text/html;base64,PHNjcmlwdD4=)',
    '<a href="  javascript:alert(1)">x</a>',
    '<svg onload=alert(1)>',
    '<iframe src="https://quay.example"></iframe>',
    '<form action="/api/session"><input name=x></form>',
    '<p style="position:fixed" id="root">x</p>',
    '<math><mtext><table><mglyph><style><img src=x onerror=alert(1)>',
  ])('can do nothing: %s', (text) => {
    const html = safeHtml(text);
    const page = document.createElement('div');
    page.innerHTML = html;
    for (const node of page.querySelectorAll('*')) {
      expect(['P', 'A', 'TABLE', 'TBODY', 'TR', 'TD']).toContain(node.tagName);
      for (const { name, value } of node.attributes) {
        expect(name).toBe('href');
        expect(value).toMatch(/^(https?:|mailto:|\/)/);
      }
    }
  });
});

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

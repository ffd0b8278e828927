import { describe, expect, it } from '@jest/globals';
import { preloads } from './pages.ts';

const manifest = {
  'index.html': { file: 'assets/index.js', name: 'index', isEntry: true },
  '_shared.js': { file: 'assets/shared.js', name: 'shared', imports: ['index.html', '_more.js'] },
  '_more.js': { file: 'assets/more.js', name: 'more', imports: ['_shared.js'] },
  'src/load/load-screen.tsx': {
    file: 'assets/load-screen.js',
    name: 'load-screen',
    imports: ['index.html', '_shared.js'],
  },
  'src/plugin/plugin-page.tsx': { file: 'assets/plugin-page.js', name: 'plugin-page' },
};
const computers = '</api/computers>; rel=preload; as=fetch; crossorigin=anonymous';
const module = (name: string): string => `</assets/${name}.js>; rel=modulepreload`;

describe('what a page is told ahead', () => {
  it('are the first file and the computers, then the files of its screen, each once', () => {
    expect(preloads(manifest, 'load')).toBe(
      [module('index'), computers, module('load-screen'), module('shared'), module('more')].join(
        ', ',
      ),
    );
  });
  it('is the page of a plugin as well', () => {
    expect(preloads(manifest, 'plugin')).toBe(
      [module('index'), computers, module('plugin-page')].join(', '),
    );
  });
  it('are the computers alone where the build tells nothing', () => {
    expect(preloads({}, 'load')).toBe(computers);
  });
});

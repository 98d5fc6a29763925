import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { ROUTES } from './routes';

it('the list of routes names every route there is, and no other', () => {
  const found = readdirSync('src/routes', { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile() && /^\+(page\.svelte|page\.server\.ts|server\.ts)$/.test(f.name))
    .map((f) => join('/', f.parentPath.slice('src/routes'.length)));
  expect(Object.keys(ROUTES).sort()).toEqual([...new Set(found)].sort());
});

import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const features = join(process.cwd(), 'src/features');

/** Which features a feature imports from. */
function imports(feature: string): Set<string> {
  const found = new Set<string>();
  for (const file of readdirSync(join(features, feature), { recursive: true, encoding: 'utf8' })) {
    if (!/\.tsx?$/.test(file)) continue;
    const text = readFileSync(join(features, feature, file), 'utf8');
    for (const match of text.matchAll(/from '\.\.\/([\w-]+)'/g)) found.add(match[1]!);
  }
  return found;
}

describe('the features', () => {
  it('depend on each other one way only', () => {
    const graph = new Map(readdirSync(features).map((feature) => [feature, imports(feature)]));
    const done = new Set<string>();
    const visit = (feature: string, path: string[]) => {
      expect(path, `cycle ${[...path, feature].join(' → ')}`).not.toContain(feature);
      if (done.has(feature)) return;
      for (const next of graph.get(feature) ?? []) visit(next, [...path, feature]);
      done.add(feature);
    };
    for (const feature of graph.keys()) visit(feature, []);
    expect(done.size).toBe(graph.size);
  });
});

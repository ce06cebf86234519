import { validateBytes } from 'gltf-validator';
import { describe, expect, it } from 'vitest';
import { bowline } from './kernel.mjs';

const demos = ['ternwake', 'skid', ...(process.env.BOWLINE_ALL_SEEDS === 'yes' ? ['hoses'] : [])];

describe.each(demos)('GLB of the demo job %s', (name) => {
  it('has no error for the validator of the format', { timeout: 180_000 }, async () => {
    const bytes = bowline('glb', `database/demo/${name}.json`);
    const { issues, info } = await validateBytes(new Uint8Array(bytes));
    expect(issues.messages).toEqual([]);
    const { runs } = JSON.parse(bowline('mass', `database/demo/${name}.json`).toString());
    const { runs: solved } = JSON.parse(bowline('solve', `database/demo/${name}.json`).toString());
    // A mesh for each spool, and for the gasket or the sleeve of each joint.
    const bought = solved.flatMap(({ joints }) => joints).filter(({ gasket, sleeve }) => (gasket ?? sleeve) !== null);
    expect(info.drawCallCount).toBe(runs.flatMap(({ spools }) => spools).length + bought.length);
  });
});

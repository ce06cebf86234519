// How long a trunk moved takes until its wires are told, served as bin/demo serves: node bench/wiring.mjs [WIRES]
// Asked for: 200 trunks, what hangs on one that is moved in under 150 ms (95th percentile).
import { measure, servedJob } from './served.mjs';

const wires = Number(process.argv[2] ?? 1000);
await servedJob(`benchHarness(${wires}, 200)`, `${wires} wires over 200 trunks`, async ({ id, state, get, post }) => {
  let plug = state.job.fittings.find(({ id }) => id === 'c50');
  const moved = (round) => ({ ...plug, pose: { at: [plug.pose.at[0], plug.pose.at[1], 120 + (round % 20)] } });
  // Packings are found in the first requests and kept.
  for (let round = 0; round < 12; round++) {
    await (await get(`jobs/${id}`)).arrayBuffer();
  }
  let since = state.revision;
  await measure(40, {
    'empty call': () => get('ready'),
    'wires while a connector is dragged': (round) => post('harnesses', { list: 'fittings', item: moved(round) }),
    'a connector moved and kept': (round) => {
      const was = plug;
      plug = moved(round + 1);
      return post('edits', {
        edits: [{ list: 'fittings', id: plug.id, item: plug, was }],
        token: `move-${round}`,
        since: since++,
      });
    },
    'bundles and findings after that': () => get(`jobs/${id}/harnesses`),
  });
});

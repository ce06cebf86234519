import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import factory from 'replicad-opencascadejs';

const dist = dirname(createRequire(import.meta.url).resolve('replicad-opencascadejs'));

/** An open CAD kernel, which reads STEP on its own terms. */
export async function kernel() {
  return factory({ locateFile: (file) => join(dist, file) });
}

/** What the command line writes. Exit 1 says that the job breaks a rule, which is no matter here. */
export function bowline(...words) {
  try {
    return execFileSync('bin/bowline', words, { maxBuffer: 1e9, stdio: ['ignore', 'pipe', 'pipe'] });
  } catch (error) {
    if (error.status === 1) {
      return error.stdout;
    }
    throw error;
  }
}

/**
 * Reads a STEP file and returns each solid in it: whether the kernel finds it valid and closed, volume (mm³), surface
 * (mm²) and centre of gravity (mm).
 */
export function solidsOf(oc, path, accuracy = 1e-6) {
  oc.FS.writeFile('/read.step', readFileSync(path));
  const reader = new oc.STEPControl_Reader();
  if (reader.ReadFile('/read.step') !== oc.IFSelect_ReturnStatus.IFSelect_RetDone) {
    throw new Error(`${path} cannot be read`);
  }
  reader.TransferRoots(new oc.Message_ProgressRange());
  const { TopAbs_SOLID, TopAbs_SHELL, TopAbs_SHAPE } = oc.TopAbs_ShapeEnum;
  const solids = [];
  for (const solid of explored(oc, reader.OneShape(), TopAbs_SOLID, TopAbs_SHAPE)) {
    const volume = new oc.GProp_GProps();
    oc.BRepGProp.VolumeProperties(solid, volume, accuracy, false, false);
    const surface = new oc.GProp_GProps();
    oc.BRepGProp.SurfaceProperties(solid, surface, accuracy, false);
    const centre = volume.CentreOfMass();
    solids.push({
      isValid: new oc.BRepCheck_Analyzer(solid, true, false).IsValid(),
      isClosed: explored(oc, solid, TopAbs_SHELL, TopAbs_SHAPE).every((shell) => shell.Closed()),
      volume: volume.Mass(),
      surface: surface.Mass(),
      centre: [centre.X(), centre.Y(), centre.Z()],
    });
  }
  return solids;
}

function explored(oc, shape, kind, avoided) {
  const found = [];
  for (const explorer = new oc.TopExp_Explorer(shape, kind, avoided); explorer.More(); explorer.Next()) {
    found.push(explorer.Current());
  }
  return found;
}

import { fairHull, type HullModel, OFFSET_COLUMNS, outlinePoints } from '@plain-cleat/core/boat/hull';
import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { stringify } from 'csv-stringify/sync';

/** Offsets as CSV (RFC 4180), millimetres. */
export function offsetsCsv(model: HullModel): string {
  const rows = model.stations.map((s) => [s.x, s.halfBreadth, s.halfBreadth, s.gunwale, s.keel]);
  return stringify([OFFSET_COLUMNS.map((c) => `${c} mm`), ...rows], { record_delimiter: '\r\n' });
}

/** The outline as DXF, R2000 or later, millimetres. */
export function outlineDxf(model: HullModel): string {
  const hull = fairHull(model);
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLayer('OUTLINE', 7, 'CONTINUOUS');
  dxf.addLayer('CENTRE', 8, 'CONTINUOUS');
  dxf.setCurrentLayerName('OUTLINE');
  dxf.addLWPolyline(
    outlinePoints(hull).map(([x, y]) => ({ point: { x, y } })),
    { flags: 1 },
  );
  dxf.setCurrentLayerName('CENTRE');
  dxf.addLine(point3d(0, 0), point3d(hull.length, 0));
  return dxf.stringify();
}

import { seeded } from '@plain-cleat/core/work/cutting';
import { boxTop, circuitLine, LANE, type LaneBox, spreadAlong } from './circuit-lines';

/** Whether a straight piece of so thick a line touches a box. */
const touches = (
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
  thick: number,
  box: LaneBox,
): boolean => {
  const [left, right] = [Math.min(ax, bx) - thick / 2, Math.max(ax, bx) + thick / 2];
  const [top, foot] = [Math.min(ay, by) - thick / 2, Math.max(ay, by) + thick / 2];
  const y = boxTop(box.lane);
  return right > box.x - LANE.boxWide / 2 && left < box.x + LANE.boxWide / 2 && foot > y && top < y + LANE.boxTall;
};

describe('lines of the circuit', () => {
  it('go straight up where nothing stands in between, and beside it where something does', () => {
    const [battery, load] = [
      { x: 300, lane: 3 },
      { x: 500, lane: 0 },
    ];
    expect(circuitLine([battery, load], [battery, load], 2, 0)).toEqual([
      [
        [300, boxTop(3)],
        [300, boxTop(0) + 42 + 11],
        [500, boxTop(0) + 42 + 11],
        [500, boxTop(0) + 42],
      ],
    ]);
    const between = { x: 310, lane: 1 };
    const [line = []] = circuitLine([battery, load], [battery, load, between], 2, 0);
    expect(line.map(([x]) => x)).toEqual([300, 300, 262, 262, 500, 500]);
  });

  it('cross no box that they do not join, however full the lanes are (300 circuits by chance)', () => {
    const next = seeded(30);
    for (let run = 0; run < 300; run++) {
      const boxes = [0, 1, 2, 3].flatMap((lane) =>
        spreadAlong(Array.from({ length: 1 + Math.floor(next() * 7) }, () => ({ x: 80 + next() * 800, lane }))),
      );
      for (let n = 0; n < 7; n++) {
        const pick = (): LaneBox => boxes[Math.floor(next() * boxes.length)] as LaneBox;
        const [from, to, aside, thick] = [pick(), pick(), ((n % 7) - 3) * 4, 1 + next() * 3];
        if (from === to) continue;
        for (const line of circuitLine([from, to], boxes, thick, aside))
          line.slice(1).forEach((b, i) => {
            const a = line[i] ?? b;
            for (const box of boxes)
              if (box !== from && box !== to)
                expect(touches(a, b, thick, box))
                  .withContext(`run ${run}: ${a.join()} to ${b.join()} at ${box.x}, lane ${box.lane}`)
                  .toBeFalse();
          });
      }
    }
  });
});

import { describe, expect, it } from 'vitest';
import { plan, ticket } from '../../testing/samples';
import { placesOf, roomOf, settingsOf, sideOf } from './trialStrip';

/** A sheet of 2400 × 3000 px, 60 px of band round it, the picture 100 px inside at the left. */
const framed = {
  ...plan(),
  markedPpi: 300,
  picture: { x: 160, y: 60, width: 2200, height: 3000 },
  edges: { ...plan().edges, sheet: { x: 60, y: 60, width: 2400, height: 3000 } },
};
const spot = (x: number, y: number) => ({ x, y, strength: 1 });

describe('the places of a trial strip', () => {
  it('are where the picture and the sheet are', () => {
    expect(roomOf(framed)).toEqual({ x: 160, y: 60, width: 2200, height: 3000 });
    expect(roomOf({ ...framed, picture: { x: 0, y: 0, width: 9000, height: 9000 } })).toEqual({ x: 60, y: 60, width: 2400, height: 3000 });
  });

  it('lie about strong contours, inside, and apart', () => {
    const side = sideOf(2, framed);
    expect(side).toBe(600);
    const places = placesOf([spot(170, 80), spot(200, 100), spot(1500, 1500)], side, framed);
    expect(places).toEqual([
      { x: 160, y: 60 },
      { x: 1200, y: 1200 },
    ]);
  });

  it('are the middle of a picture without contours', () => {
    expect(placesOf([], 600, framed)).toEqual([{ x: 960, y: 1260 }]);
  });

  it('are never larger than the picture', () => {
    expect(sideOf(20, framed)).toBe(2200);
  });
});

describe('the settings of a trial strip', () => {
  const { document } = ticket();

  it('are strengths at the radius that the ticket has', () => {
    const exact = { kind: 'exact' as const, strength: 50, radius: { value: 0.3, unit: 'MM' as const }, threshold: 2 };
    const settings = settingsOf('sharpening', { ...document, sharpening: exact }, framed);
    expect(settings[0]).toEqual({ words: 'not sharpened', tried: { sharpening: { kind: 'none' } } });
    expect(settings[2]).toEqual({ words: 'strength 40', tried: { sharpening: { ...exact, strength: 40 } } });
  });

  it('are the intents into the ticket’s profile, and none where nothing is converted', () => {
    const profile = { digest: 'd', model: 'RGB' as const };
    const colour = { kind: 'convert' as const, profile, intent: 'RELATIVE' as const, blackPoint: 'COMPENSATED' as const };
    const settings = settingsOf('intent', { ...document, colour }, framed);
    expect(settings.map(({ words }) => words)).toEqual(['relative', 'perceptual', 'saturation', 'absolute']);
    // Compensation has no meaning where white is kept as measured.
    expect(settings[3]!.tried.colour).toEqual({ ...colour, intent: 'ABSOLUTE', blackPoint: 'PLAIN' });
    expect(settingsOf('intent', { ...document, colour: { kind: 'keep' } }, framed)).toEqual([]);
  });
});

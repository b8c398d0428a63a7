import { describe, expect, it } from 'vitest';
import {
  arranged,
  colourText,
  crossingsText,
  damagedPart,
  filters,
  lossText,
  moveTo as moved,
  needsALook,
  oddities,
  stateOf,
  type Entry,
} from './pileModel';

function entry(path: string, width: number, height: number, realPpi: number, part: Partial<Entry['original']> = {}): Entry {
  return {
    original: {
      id: path,
      path,
      inPlace: null,
      derivedFrom: null,
      digest: 'd',
      fileBytes: 1,
      state: 'SOUND',
      leftOut: false,
      printedDamaged: false,
      forPieces: true,
      statedPpi: null,
      title: null,
      creator: null,
      taken: null,
      metadataDamaged: false,
      facts: {
        kind: 'JPEG',
        width,
        height,
        orientation: 1,
        ppiAcross: null,
        ppiDown: null,
        model: 'RGB',
        seeThrough: false,
        bitsPerChannel: 8,
        profile: 'sRGB',
        profileDigest: '22a6',
        profileOrigin: 'EMBEDDED',
        remarks: [],
        firstOfSeveral: false,
        unpackedBytes: width * height * 3,
        detail: { jpegQuality: null, heldShare: null, blockMarks: null },
      },
      ...part,
    },
    estimate: {
      originalId: path,
      name: path,
      width: 2400,
      height: 3000,
      realPpi,
      heldPpi: null,
      verdict: realPpi >= 225 ? 'FINE' : realPpi >= 120 ? 'SOFT' : 'POOR',
      expectedFileBytes: 1,
      unpackedBytes: 1,
      notices: [],
      problems: [],
    },
    framed: false,
    own: '',
  };
}

const broken: Entry = {
  original: {
    ...entry('z.jpg', 1, 1, 0).original,
    facts: undefined,
    forPieces: false,
    state: 'BROKEN',
    problem: { code: 'cut-short', subject: 'picture', text: 'is cut short', remedy: 'Add an intact copy.' },
  },
  framed: false,
  own: '',
};
const pile = [entry('kite10.jpg', 6000, 4000, 500), entry('kite2.jpg', 4000, 6000, 150), entry('small.jpg', 960, 960, 96), broken];

describe('the pile', () => {
  it('finds what is not framed and what has its own', () => {
    const framed = { ...entry('a.jpg', 60, 40, 300), framed: true, own: 'own ppi 240' };
    const shown = (key: 'unframed' | 'own') => arranged([framed, ...pile], key).map(({ original }) => original.path);
    expect(shown('own')).toEqual(['a.jpg']);
    expect(shown('unframed')).toEqual(['kite10.jpg', 'kite2.jpg', 'small.jpg']);
    expect(stateOf(framed).text).toBe('fine, 300 ppi real, own ppi 240');
  });

  it('keeps the server’s order by itself: pieces are numbered in it', () => {
    expect(arranged(pile, 'all')).toEqual(pile);
  });

  it('finds by name, title, creator and day, all words at once', () => {
    const pile = [
      entry('kites/a.jpg', 6, 4, 300, { title: 'Windrose, evening', creator: 'Ada Blåfjell', taken: '2026-08-14T16:20:05' }),
      entry('kites/b.jpg', 6, 4, 300, { title: 'Harbour', taken: '2026-08-15T09:00:00' }),
    ];
    const found = (wanted: string) => arranged(pile, 'all', undefined, wanted).map(({ original }) => original.path);
    expect(found('kites EVENING')).toEqual(['kites/a.jpg']);
    expect(found('blåfjell')).toEqual(['kites/a.jpg']);
    expect(found('2026-08-15')).toEqual(['kites/b.jpg']);
    expect(found(' ')).toHaveLength(2);
    expect(found('harbour ada')).toEqual([]);
  });

  it('filters by shape and problem', () => {
    expect(arranged(pile, 'wide')).toHaveLength(1);
    expect(arranged(pile, 'square').map(({ original }) => original.path)).toEqual(['small.jpg']);
    expect(arranged(pile, 'look').map(({ original }) => original.path)).toEqual(['small.jpg', 'z.jpg']);
    expect(filters.map(({ key }) => key)).toHaveLength(new Set(filters.map(({ key }) => key)).size);
  });

  it('puts what is nearest to a fold first, and says where', () => {
    const near = (figure: number, side: 'LEFT' | 'TOP') => ({
      withinMillimetres: 10,
      figure,
      crossings: figure > 0 ? [{ side, millimetres: 1, share: 0.1 }] : [],
      places: [],
    });
    const first = { ...entry('far.jpg', 100, 100, 300), crossings: near(0, 'LEFT') };
    const second = { ...entry('near.jpg', 100, 100, 300), crossings: near(90, 'TOP') };
    expect(arranged([first, second], 'all', 'folds').map(({ original }) => original.path)).toEqual(['near.jpg', 'far.jpg']);
    expect(crossingsText(second)).toBe('90 of 100: top');
    expect(crossingsText(first)).toBe('folds and trims clear');
  });

  it('puts what needs care first when sorted by real ppi', () => {
    expect(arranged(pile, 'all', 'ppi')[0]).toBe(broken);
  });

  it('says how each picture stands', () => {
    expect(stateOf(pile[0]!)).toEqual({ level: 'FINE', text: 'fine, 500 ppi real' });
    expect(stateOf(pile[1]!).text).toBe('soft, 150 ppi real');
    expect(stateOf(broken)).toEqual({ level: 'POOR', text: 'add an intact copy' });
    expect(needsALook(pile[1]!)).toBe(false);
  });

  it('names colour and oddities', () => {
    const facts = { ...pile[0]!.original.facts!, profileOrigin: 'ASSUMED' as const, orientation: 6, bitsPerChannel: 16 };
    expect(colourText({ ...pile[0]!.original, facts })).toBe('no profile: sRGB assumed, 16 bit');
    expect(oddities({ ...pile[0]!.original, facts })).toBe('turned upright automatically');
    expect(colourText({ ...pile[0]!.original, facts: { ...facts, profileOrigin: 'BY_HAND', bitsPerChannel: 8 } })).toBe(
      'sRGB, by hand',
    );
    expect(oddities({ ...pile[0]!.original, facts: { ...facts, orientation: 1, remarks: ['its tags say sRGB'] } })).toBe(
      'its tags say sRGB',
    );
    expect(colourText(broken.original)).toBe('—');
  });

  it('ranks by colour lost, and says how much', () => {
    const loss = (unprintableShare: number, meanDifference: number) => ({ unprintableShare, meanDifference, pixels: 1000 });
    const some: Entry = { ...pile[0]!, loss: loss(0.0004, 0.8) };
    const much: Entry = { ...pile[1]!, loss: loss(0.213, 3.14) };
    expect(arranged([broken, some, much], 'all', 'colour')).toEqual([much, some, broken]);
    expect(lossText(much)).toBe('mean ΔE00 3.1, 21.3 % not printable');
    expect(lossText(some)).toBe('mean ΔE00 0.8, under 0.1 % not printable');
    expect(lossText({ ...some, loss: loss(0, 0.2) })).toBe('mean ΔE00 0.2, all printable');
    expect(lossText(broken)).toBe('');
  });

  it('shows where a damaged picture stops being sound, and that it is printed only if somebody says so', () => {
    const damaged = entry('cut.jpg', 600, 400, 300, {
      state: 'BROKEN',
      damage: { from: 'BOTTOM', share: 0.25 },
      problem: { code: 'cut-short', subject: 'picture', text: 'is cut short', remedy: 'Add an intact copy.' },
    });
    expect(damagedPart(damaged.original)).toEqual({ top: '0', right: '0', bottom: '25%', left: '0' });
    expect(stateOf(damaged)).toEqual({ level: 'POOR', text: 'damaged: not printed' });
    damaged.original.printedDamaged = true;
    expect(stateOf(damaged)).toEqual({ level: 'SOFT', text: 'damaged, but printed' });
    expect(damagedPart(entry('kite.jpg', 1, 1, 1).original)).toBeUndefined();
  });
});

describe('moving by hand', () => {
  const four = ['a', 'b', 'c', 'd'].map((id) => entry(id, 60, 40, 300));
  const one = (from: number, before: number) => moved(four, new Set(), from, before);

  it('puts a picture before another, or at the end', () => {
    expect(one(0, 2)).toEqual({ moved: ['a'], before: 'c' });
    expect(one(3, 0)).toEqual({ moved: ['d'], before: 'a' });
    expect(one(1, 4)).toEqual({ moved: ['b'], before: null });
  });

  it('changes nothing where it is already', () => {
    expect(one(1, 1)).toBeUndefined();
    expect(one(1, 2)).toBeUndefined();
  });

  it('takes all that are chosen with it, and puts them beside none of themselves', () => {
    expect(moved(four, new Set(['a', 'c']), 2, 0)).toEqual({ moved: ['a', 'c'], before: 'b' });
    expect(moved(four, new Set(['c', 'd']), 0, 3)).toEqual({ moved: ['a'], before: 'd' });
  });
});

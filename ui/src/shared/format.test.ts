import { describe, expect, it } from 'vitest';
import { bytes, convert, count, duration, fileName, fromInches, lengthText, spokenIn, stem } from './format';

describe('lengths', () => {
  it('writes eighths of an inch as people do', () => {
    expect(lengthText(0.125, 'IN')).toBe('⅛');
    expect(lengthText(1.5, 'IN')).toBe('1 ½');
    expect(lengthText(8, 'IN')).toBe('8');
    expect(lengthText(9.783, 'IN')).toBe('9.78');
  });

  it('writes millimetres to the tenth', () => {
    expect(lengthText(210, 'MM')).toBe('210');
    expect(lengthText(0.09, 'MM')).toBe('0.09');
    expect(lengthText(0.0035, 'IN')).toBe('0.0035');
    expect(lengthText(0, 'MM')).toBe('0');
    expect(lengthText(96.04, 'MM')).toBe('96');
  });

  it('converts by 25.4 mm to the inch (international yard and pound agreement, 1959)', () => {
    expect(fromInches(1, 'MM')).toBe(25.4);
    expect(convert(21, 'CM', 'MM')).toBeCloseTo(210, 9);
    expect(convert(297, 'MM', 'IN')).toBeCloseTo(11.6929, 4);
  });
});

describe('counts and weights', () => {
  it('weighs in binary units', () => {
    expect(bytes(900 * 900 * 3)).toBe('2.3 MiB');
    expect(bytes(300)).toBe('1 KiB');
    expect(bytes(2.6 * 1024 ** 3)).toBe('2.6 GiB');
  });

  it('says one and many', () => {
    expect(count(1, 'picture')).toBe('1 picture');
    expect(count(2, 'copy', 'copies')).toBe('2 copies');
  });

  it('writes durations', () => {
    expect(duration(121)).toBe('2:01');
    expect(duration(3725)).toBe('1:02:05');
  });
});

describe('names', () => {
  it('takes them out of paths', () => {
    expect(fileName('day one/kite.final.jpg')).toBe('kite.final.jpg');
    expect(stem('day one/kite.final.jpg')).toBe('kite.final');
    expect(stem('.hidden')).toBe('.hidden');
  });
});

describe('lengths of a ticket', () => {
  it('are shown in one unit, except points', () => {
    expect(
      spokenIn(
        { kind: 'paper', width: { value: 10, unit: 'IN' }, bands: [{ value: 25, unit: 'MM' }], letters: { value: 9, unit: 'PT' }, ppi: 300 },
        'CM',
      ),
    ).toEqual({ kind: 'paper', width: { value: 25.4, unit: 'CM' }, bands: [{ value: 2.5, unit: 'CM' }], letters: { value: 9, unit: 'PT' }, ppi: 300 });
  });
});

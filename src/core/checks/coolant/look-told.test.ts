import { describe, expect, it } from 'vitest';
import { context, curlew, stopped, told } from '../../../../tests/support/check-bench';
import { ALL_GOOD } from './looks';

const cold = context([stopped(14)], curlew);
const warm = context([stopped(1)], curlew);
/** What is told of a look: its head, and what stands after the numbers, without the words of the history. */
const of = (readings: object, c = cold) => told('level-and-look', readings, c).split(' | in words')[0];
const six = { level: 'mark', leaks: 'none', colour: 'clean', face: 'clean', between: 'clear', belt: 'good' };
const { level: _, ...butLevel } = ALL_GOOD;

describe('what is told of what eyes find', () => {
  it('that all is well clears everything at once', () =>
    expect(told('level-and-look', ALL_GOOD, cold)).toBe(
      'pass (sound): Nothing wrong in 10 things looked at | Level: At the mark | Leaks: Dry | Coolant: Clean | Radiator stack: Clean right through | Between the cores: Clear, seen from above | Belt: Good and tight | Water pump: Dry and firm | Hoses: Firm | Sensor plug: Clean, latched | Additions: Nothing added | in words: Level: at the mark; Leaks: dry; Coolant: clean; Radiator stack: clean right through; Between the cores: clear, seen from above; Belt: good and tight; Water pump: dry and firm; Hoses: firm; Sensor plug: clean, latched; Additions: nothing added'
    ));

  it.each([
    [
      six,
      'pass (level mark, leaks none, colour clean, face clean, between clear, belt good): Nothing wrong in 6 things looked at'
    ],
    // Half of it is no look.
    [
      { ...six, belt: null },
      'unclear (level mark, leaks none, colour clean, face clean, between clear): Nothing wrong in what was looked at; not looked at: belt, water pump, hoses, sensor plug, additions'
    ],
    [butLevel, 'Nothing wrong in what was looked at; not looked at: level'],
    [
      { leaks: 'none', belt: 'worn', fixAnyway: ['belt'] },
      'unclear (leaks none): Nothing else wrong in what was looked at; not looked at: level, coolant, radiator stack, between the cores, water pump, hoses, sensor plug, additions. Fix anyway, not the cause: Belt: worn or glazed'
    ]
  ])('by how much was looked at: %j', (readings, says) => expect(of(readings)).toContain(says));

  it.each([
    [
      { level: 'empty', leaks: 'drip', note: 'Under the pump' },
      'fail (level empty, leaks drip): Level: none to be seen; Leaks: wet or dripping | Level: None to be seen | Leaks: Wet or dripping | leans to combustion-leak, water-pump-bearing, pressure-cap-weak | in words: Level: none to be seen; Leaks: wet or dripping; Under the pump'
    ],
    [
      { pump: 'weeps', connector: 'green', colour: 'oily' },
      'fail (colour oily, pump weeps, connector green): Coolant: oil film; Sensor plug: green or wet | Coolant: Oil film | Water pump: Weeps | Sensor plug: Green or wet | in words: Coolant: oil film; Water pump: weeps; Sensor plug: green or wet'
    ],
    [
      { face: 'some', belt: 'worn' },
      'unclear (face some, belt worn): Radiator stack: some debris; Belt: worn or glazed | Radiator stack: Some debris | Belt: Worn or glazed | in words: Radiator stack: some debris; Belt: worn or glazed'
    ],
    [
      { face: 'some', belt: 'slack', fixAnyway: ['belt'] },
      'unclear (face some): Radiator stack: some debris. Fix anyway, not the cause: Belt: slack, off or gone | Radiator stack: Some debris | Belt: Slack, off or gone | in words: Radiator stack: some debris; Belt: slack, off or gone'
    ],
    [
      { pump: 'play' },
      'fail (pump play): Water pump: its pulley has play | Water pump: Its pulley has play | in words: Water pump: its pulley has play'
    ]
  ])('by what was found: %j', (readings, says) => expect(told('level-and-look', readings, cold)).toBe(says));

  it('that is not the cause is neither counted nor cleared, and what else was looked at is', () => {
    const aside = of({ ...ALL_GOOD, hoses: 'soft', fixAnyway: ['hoses'] });
    expect(aside).toContain(
      'Nothing else wrong in 9 things looked at. Fix anyway, not the cause: Hoses: soft or swollen'
    );
    expect(aside).not.toMatch(/\(.*hoses.*\):/);
    // A tick beside what is well says nothing.
    expect(of({ ...ALL_GOOD, fixAnyway: ['hoses'] })).toBe(of(ALL_GOOD));
  });

  it.each([
    ['low', 'leans to combustion-leak, water-pump-bearing, pressure-cap-weak'],
    ['empty', 'leans to combustion-leak, water-pump-bearing, pressure-cap-weak'],
    ['over', 'unclear (level over'],
    ['mark', 'unclear (level mark']
  ])('of a level %s speaks for what loses coolant only where some is lost', (level, says) => {
    expect(of({ level })).toContain(says);
    expect(of({ level }).includes('leans')).toBe(['low', 'empty'].includes(level));
    expect(of({ level, fixAnyway: ['level'] })).not.toContain('leans');
  });

  it('of a level is doubted on a warm engine, and of nothing else', () => {
    const doubt = 'but: A level is read on a cold engine: warm coolant stands higher';
    for (const level of ['mark', 'low', 'over']) expect(of({ level }, warm)).toContain(doubt);
    expect(of({ pump: 'play' }, warm)).not.toContain('but:');
    expect(of({ level: 'mark' })).not.toContain('but:');
    expect(of({ level: 'mark' }, context([], curlew))).not.toContain('but:');
  });
});

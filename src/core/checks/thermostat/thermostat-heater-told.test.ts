import { describe, expect, it } from 'vitest';
import { context, curlew, sheetOf, stopped, told } from '../../../../tests/support/check-bench';

const parcel = context([stopped(14)], sheetOf('qh-07-parcel'));
const minibus = context([stopped(14)], curlew);

describe('what is told of a heated thermostat', () => {
  it.each([
    [
      { elementOhm: 14, powered: 'opens', afterS: 90, driven: 'right', unpowered: 'closes' },
      'pass (sound, drivenRightly): Opens when powered: the element works | Element: 14.0 Ω [14.0 Ω ± 20 %] | Powered: opens after 90 s | Power off: shuts again | Its plug: volts at full load only | in words: element 14.0 Ω, powered: opens, power off: shuts again, its plug: volts at full load only'
    ],
    [
      { elementOhm: 14, powered: null, afterS: null, driven: null, unpowered: null },
      'unclear: The element is whole; whether it opens the valve shows with power on it | Element: 14.0 Ω [14.0 Ω ± 20 %] | in words: element 14.0 Ω'
    ],
    [
      { elementOhm: 11.3, powered: null, afterS: null, driven: null, unpowered: null },
      'unclear: The element is whole; whether it opens the valve shows with power on it | Element: 11.3 Ω [14.0 Ω ± 20 %] | in words: element 11.3 Ω'
    ],
    [
      { elementOhm: 11.1, powered: null, afterS: null, driven: null, unpowered: null },
      'fail (failed): The element has 11.1 Ω and not 14.0 Ω | Element: 11.1 Ω [14.0 Ω ± 20 %] | in words: element 11.1 Ω'
    ],
    [
      { elementOhm: 16.9, powered: null, afterS: null, driven: null, unpowered: null },
      'fail (failed): The element has 16.9 Ω and not 14.0 Ω | Element: 16.9 Ω [14.0 Ω ± 20 %] | in words: element 16.9 Ω'
    ],
    [
      { elementOhm: 5000, powered: null, afterS: null, driven: null, unpowered: null },
      'fail (failed): The element is open | Element: 5.00 kΩ [14.0 Ω ± 20 %] | in words: element 5.00 kΩ'
    ],
    [
      { elementOhm: 0.9, powered: null, afterS: null, driven: null, unpowered: null },
      'fail (failed): The element is shorted | Element: 0.9 Ω [14.0 Ω ± 20 %] | in words: element 0.9 Ω'
    ],
    [
      { elementOhm: null, powered: 'stays', afterS: 300, driven: null, unpowered: null },
      'fail (failed): Powered, it stays shut | Powered: stays shut after 300 s | in words: powered: stays shut'
    ],
    [
      { elementOhm: null, powered: 'stays', afterS: 299, driven: null, unpowered: null },
      'unclear: Still shut after 299 s: give it 5 minutes | Powered: stays shut after 299 s | in words: powered: stays shut'
    ],
    [
      { elementOhm: null, powered: 'stays', afterS: null, driven: null, unpowered: null },
      'fail (failed): Powered, it stays shut | Powered: stays shut | in words: powered: stays shut'
    ],
    [
      { elementOhm: null, powered: 'opens', afterS: null, driven: null, unpowered: 'stays' },
      'fail (stays): It does not shut again | Powered: opens | Power off: stays open | in words: powered: opens, power off: stays open'
    ],
    [
      { elementOhm: null, powered: null, afterS: null, driven: 'always', unpowered: null },
      'fail (drivenWrongly): Its plug has volts all the time | Its plug: volts all the time | in words: its plug: volts all the time'
    ],
    [
      { elementOhm: null, powered: null, afterS: null, driven: 'never', unpowered: null },
      'fail (drivenWrongly): Its plug never has volts | Its plug: no volts at all | in words: its plug: no volts at all'
    ],
    [
      { elementOhm: null, powered: null, afterS: null, driven: 'right', unpowered: null },
      'unclear (drivenRightly): It is driven as it should be; the element itself was not tried | Its plug: volts at full load only | in words: its plug: volts at full load only'
    ]
  ])('an element of 14 Ω: %j', (readings, says) =>
    expect(told('thermostat-heater', readings, parcel)).toBe(says)
  );

  it.each([
    [
      { elementOhm: 30, powered: null, afterS: null, driven: null, unpowered: null },
      'unclear: The element is whole; whether it opens the valve shows with power on it | Element: 30.0 Ω | but: The sheet gives no resistance for the element | in words: element 30.0 Ω'
    ],
    [
      { elementOhm: 30, powered: 'opens', afterS: null, driven: null, unpowered: null },
      'pass (sound): Opens when powered: the element works | Element: 30.0 Ω | Powered: opens | but: The sheet gives no resistance for the element | in words: element 30.0 Ω, powered: opens'
    ]
  ])('an element of nobody knows what: %j', (readings, says) =>
    expect(told('thermostat-heater', readings, minibus)).toBe(says)
  );
});

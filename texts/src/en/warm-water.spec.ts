import { warmReadingText } from '..';

describe('a warm reading', () => {
  it.each([
    [14, ['brown-trout'], null],
    [17, ['brown-trout'], /^17 °C: warm for these fish/],
    [19, ['brown-trout'], /^19 °C: from 19 °C on one stops fishing for brown trout\./],
    [19, ['rainbow-trout'], /^19 °C: warm/],
    [18.5, ['brown-trout', 'grayling'], /one stops fishing for grayling\./],
    // Nobody has said what lives there: the most sensitive counts.
    [18, [], /from 18 °C on one stops fishing for grayling\./],
  ] as const)('of %f °C over %j says its words', (celsius, species, words) => {
    const told = warmReadingText(celsius, species, 'metric');
    if (words === null) expect(told).toBeNull();
    else expect(told).toMatch(words);
  });

  it('speaks Fahrenheit to those who do, and leaves the deciding to others', () => {
    const told = warmReadingText(20, ['brown-trout'], 'imperial') ?? '';
    expect(told).toMatch(/^68 °F: from 66 °F on/);
    expect(told).toContain('local rules decide');
  });
});

import { findAmong, found } from '.';

describe('what is looked for', () => {
  it.each([
    ['', 'anything', '', 2],
    ['scull', 'Front scull', '', 2],
    ['sculling', 'Front scull', '', 2],
    ['FRONT', 'Front scull', '', 2],
    ['scull front', 'Front scull', '', 2],
    ['hum', 'Bob ladder', 'Hum out under water', 1],
    ['bob hum', 'Bob ladder', 'Hum out under water', 1],
    ['cull', 'Front scull', '', 0],
    ['scull back', 'Front scull', '', 0],
    ['crossover', 'Crossing over', '', 2],
    ['flip turn', 'Tumble turn', '', 2],
    ['the', 'Bob ladder', '', 0],
    ['*(', 'Bob ladder', '', 2],
  ] as const)('%j finds %j (%j): %d', (asked, name, others, fit) => expect(found(asked, name, others)).toBe(fit));

  it('puts what says it in its name first, and keeps the order of the rest', () => {
    const cards = ['a kick', 'kick', 'arms'] as const;
    const textOf = (card: string) => ({ name: card === 'a kick' ? 'arms too' : card, others: card });
    expect(findAmong('kick', cards, textOf)).toEqual(['kick', 'a kick']);
    expect(findAmong('', cards, textOf)).toEqual(cards);
  });
});

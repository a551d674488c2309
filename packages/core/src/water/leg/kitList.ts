/** What to bring, by the water. */
export function kitList(waterC: number | null, sunny: boolean, saltOrStones = true): string[] {
  const c = waterC ?? 15;
  return [
    ...(c < 18 ? ['wetsuit', 'two caps, one of them bright'] : ['bright cap']),
    'tow float',
    sunny ? 'tinted goggles, a clear pair in the bag' : 'clear goggles, a spare pair in the bag',
    ...(c < 16 ? ['ear plugs', 'gloves and socks if the event allows them'] : ['ear plugs']),
    ...(saltOrStones ? ['something for the feet on stones'] : []),
    'dry clothes, laid out in the order they go on',
    'a hot drink',
    'a bag or mat to stand on',
    'sun protection that is kind to the water',
    'a place out of the wind',
    'whistle, phone in a dry bag, first-aid kit',
    'check, clean and dry everything before another water; a second full set for two waters in one day',
  ];
}

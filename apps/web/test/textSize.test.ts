import type * as Theme from '@/ui/theme';

describe('the size of text', () => {
  const bodyAt = (root: string | null): number => {
    const own = { document: global.document, getComputedStyle: global.getComputedStyle };
    if (root !== null)
      Object.assign(global, { document: { documentElement: {} }, getComputedStyle: () => ({ fontSize: root }) });
    let size = 0;
    jest.isolateModules(() => {
      size = jest.requireActual<typeof Theme>('@/ui/theme').DAY.fonts.bodyMedium.fontSize;
    });
    Object.assign(global, own);
    return size;
  };
  it.each<[string | null, number]>([
    [null, 16],
    ['16px', 16],
    ['24px', 24],
    ['32px', 32],
    // A page stays a page.
    ['80px', 32],
    ['4px', 12.8],
  ])('follows a browser set to %s', (root, px) => expect(bodyAt(root)).toBeCloseTo(px, 5));
});

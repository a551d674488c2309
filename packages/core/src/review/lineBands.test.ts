import { bandsOf, measuredOnClip, signsFromMeasures } from '.';

it('lines in pairs turn into signs by bands that stand here a second time', () => {
  const limits = (sign: string) => {
    const band = bandsOf('long-line').find((b) => b.sign === sign)!;
    return [band.when, band.sometimes, band.often];
  };
  expect(limits('whole-face-out')).toEqual(['below', 0.25, 0.1]);
  expect(limits('sweeps-shallow')).toEqual(['below', 35, 25]);
  expect(limits('knees-break-line')).toEqual(['above', 45, 60]);
  expect(limits('feet-hooked')).toEqual(['above', 40, 60]);
  const measured = measuredOnClip(null, {
    face: 0.2,
    'hand-depth': 20,
    shank: 30,
    foot: 50,
    free: 12,
    'free-angle': 3,
  });
  expect(measured).toEqual({ faceShare: 0.2, handDepthCm: 20, kneeDeg: 30, ankleDeg: 50 });
  expect(signsFromMeasures(measured, 'long-line')).toEqual({
    'whole-face-out': 'sometimes',
    'sweeps-shallow': 'often',
    'knees-break-line': 'absent',
    'feet-hooked': 'sometimes',
  });
});

/** Whose clock and whose units the app shows: those of the club, wherever this device is. */
import { createSlice, type UnknownAction } from '@reduxjs/toolkit';
import type { Me } from '@upwell/contract/account';
import { deviceZone } from '@upwell/core/days';
import type { PoolUnit } from '@upwell/core/units';

interface Place {
  /** An IANA name like `Europe/Lisbon`. */
  readonly timeZone: string;
  readonly units: PoolUnit;
}

/** Until it is known who is signed in, and for what a device kept before clubs had a clock. */
const onDevice = (): Place => ({ timeZone: deviceZone(), units: 'm' });

/** The answer to who is signed in; read in the same step in which the pages see it. */
const isMe = (action: UnknownAction): action is UnknownAction & { readonly payload: Partial<Me> | null } =>
  action.type === 'api/executeQuery/fulfilled' &&
  (action.meta as { arg: { endpointName: string } }).arg.endpointName === 'me';

export const place = createSlice({
  name: 'place',
  initialState: onDevice,
  reducers: {},
  extraReducers: (builder) => {
    builder.addMatcher(isMe, (_state, { payload }) => {
      const device = onDevice();
      return { timeZone: payload?.timeZone ?? device.timeZone, units: payload?.units ?? device.units };
    });
  },
});

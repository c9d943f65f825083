import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';

/** What is to be known of the phone itself. */
type PhoneState = {
  /** What is shown was kept here at that instant, for the server does not answer. */
  keptSince: string | null;
  /** What the server said of why it does not answer; null where it said nothing. */
  keptBecause: string | null;
  /** Room for what is done offline is nearly gone. */
  nearlyFull: boolean;
  /** Over plain HTTP the browser keeps no application: it cannot be opened without signal. */
  cannotReopen: boolean;
  /** The server says that this phone is paired with no person of its shop. */
  unpaired: boolean;
  /** A newer version is here, and waits until no job is open. */
  newVersion: boolean;
  /** Somebody asked what is not sent, and has not closed it. */
  tellsUnsent: boolean;
};

const initialState: PhoneState = {
  keptSince: null,
  keptBecause: null,
  nearlyFull: false,
  cannotReopen: false,
  unpaired: false,
  newVersion: false,
  tellsUnsent: false,
};

const phone = createSlice({
  name: 'phone',
  initialState,
  reducers: {
    phoneChanged(state, { payload }: PayloadAction<Partial<PhoneState>>) {
      Object.assign(state, payload);
    },
  },
});

export const { phoneChanged } = phone.actions;
export const phoneReducer = phone.reducer;

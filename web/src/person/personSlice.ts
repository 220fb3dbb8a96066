import { t } from '../words/t.ts';
import { createSlice } from '@reduxjs/toolkit';
import type { PayloadAction } from '@reduxjs/toolkit';
import { useSelector } from 'react-redux';

const KEY = 'saltflat.person';

/** Stands where nobody has said who they are. */
export const NOBODY = 'not named';

/** Who works at this device; written beside every step and override. */
export const personSlice = createSlice({
  name: 'person',
  initialState: () => ({ name: localStorage.getItem(KEY) ?? '' }),
  reducers: {
    personNamed: (state, { payload }: PayloadAction<string>) => {
      state.name = payload;
      localStorage.setItem(KEY, payload);
    },
  },
});

export const { personNamed } = personSlice.actions;

/** A name as it was written beside something; of who had not said one, that. */
export const signedBy = (name: string): string => (name === NOBODY ? t('not named') : name);

export const usePerson = (): string =>
  useSelector((state: { person: { name: string } }) => state.person.name);

/** Who is written beside what is done here: who has not said so is not named. */
export const useSignature = (): string => usePerson().trim() || NOBODY;

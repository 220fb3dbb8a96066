import { configureStore } from '@reduxjs/toolkit';
import { baseApi } from '../api/baseApi.ts';
import { liveSlice } from '../api/liveSlice.ts';
import { outboxSlice } from '../features/floor/outboxSlice.ts';
import { personSlice } from '../person/personSlice.ts';
import { writingSlice } from '../units/writingSlice.ts';

/** The whole state of a page; server data under `api`. */
export const createStore = () =>
  configureStore({
    reducer: {
      [baseApi.reducerPath]: baseApi.reducer,
      [writingSlice.name]: writingSlice.reducer,
      [personSlice.name]: personSlice.reducer,
      [liveSlice.name]: liveSlice.reducer,
      [outboxSlice.name]: outboxSlice.reducer,
    },
    middleware: (own) => own({ serializableCheck: false }).concat(baseApi.middleware),
  });

export const store = createStore();

import type {
  BenchNote,
  BenchNoteInput,
  Calibration,
  CalibrationInput,
  PressChecks,
  PressureTest,
  PressureTestInput,
  Survey,
  SurveyInput,
} from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

const posted = (url: string) => (body: object) => ({ url, method: 'POST', body });
const ofPress = (machineId: string, checks: string): string => `/machines/${machineId}/${checks}`;

interface OfPress<I> {
  machineId: string;
  input: I;
}

const pressesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    presses: build.query<PressChecks, void>({
      query: () => '/presses',
      providesTags: ['PressCheck', 'Catalogue'],
    }),
    surveys: build.query<Survey[], string>({
      query: (machineId) => ofPress(machineId, 'surveys'),
      providesTags: ['PressCheck'],
    }),
    addSurvey: build.mutation<Survey, OfPress<SurveyInput>>({
      query: ({ machineId, input }) => posted(ofPress(machineId, 'surveys'))(input),
      invalidatesTags: ['PressCheck'],
    }),
    pressureTests: build.query<PressureTest[], string>({
      query: (machineId) => ofPress(machineId, 'pressure-tests'),
      providesTags: ['PressCheck'],
    }),
    addPressureTest: build.mutation<PressureTest, OfPress<PressureTestInput>>({
      query: ({ machineId, input }) => posted(ofPress(machineId, 'pressure-tests'))(input),
      invalidatesTags: ['PressCheck'],
    }),
    calibrations: build.query<Calibration[], string>({
      query: (machineId) => ofPress(machineId, 'calibrations'),
      providesTags: ['PressCheck'],
    }),
    addCalibration: build.mutation<Calibration, OfPress<CalibrationInput>>({
      query: ({ machineId, input }) => posted(ofPress(machineId, 'calibrations'))(input),
      invalidatesTags: ['PressCheck'],
    }),
    benchNotes: build.query<BenchNote[], void>({ query: () => '/bench-notes', providesTags: ['BenchNote'] }),
    addBenchNote: build.mutation<BenchNote, BenchNoteInput>({
      query: posted('/bench-notes'),
      invalidatesTags: ['BenchNote'],
    }),
    removeBenchNote: build.mutation<BenchNote, string>({
      query: (id) => ({ url: `/bench-notes/${id}/removal`, method: 'POST' }),
      invalidatesTags: ['BenchNote'],
    }),
  }),
});

export const {
  usePressesQuery,
  useSurveysQuery,
  useAddSurveyMutation,
  usePressureTestsQuery,
  useAddPressureTestMutation,
  useCalibrationsQuery,
  useAddCalibrationMutation,
  useBenchNotesQuery,
  useAddBenchNoteMutation,
  useRemoveBenchNoteMutation,
} = pressesApi;

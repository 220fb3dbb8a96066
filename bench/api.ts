import { benchApi } from './api/run.ts';

const given = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: start with “npm run bench -- api”, which sets it.`);
  return value;
};

await benchApi({
  cluster: { url: given('BENCH_DATABASE'), bin: given('BENCH_POSTGRES') },
  server: JSON.parse(given('BENCH_SERVER')) as string[],
});

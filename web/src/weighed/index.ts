export { AMOUNT_MARKS, amountQuestion } from './weighedWords.ts';

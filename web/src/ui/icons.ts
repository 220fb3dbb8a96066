// One by one: the whole set of icons is not to be loaded for a few.
export { default as ArrowDown } from '@mui/icons-material/ArrowDownward';
export { default as ArrowUp } from '@mui/icons-material/ArrowUpward';
export { default as Close } from '@mui/icons-material/Close';

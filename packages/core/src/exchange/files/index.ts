// Files of watches and of spreadsheets: apart from the rest of the exchange, since what reads them is large and used by a
// worker only.
export { listText, type ListText } from './listText';
export { readSwumFile } from './readSwumFile';

// Files of watches: apart from the rest of the exchange, since what reads them is large and used by a worker only.
export { readSwumFile } from './readSwumFile';

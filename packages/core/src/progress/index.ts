export * from './picture';
export * from './story';

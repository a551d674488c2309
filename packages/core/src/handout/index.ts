export * from './handout';

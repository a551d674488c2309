export * from './ageDistance';
export * from './fewBreaths';
export * from './caution';
export * from './waterTime';
export * from './waterRules';

export * from './ageDistance';
export * from './air';
export * from './fewBreaths';
export * from './caution';
export * from './feeding';
export * from './overrule';
export * from './waterTime';
export * from './waterRules';

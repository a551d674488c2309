// What crosses the wire of the water: courses, legs, days, swum tracks and the race card.
export * from './water/course';
export * from './water/leg';
export * from './water/reading';
export * from './water/day';
export * from './water/track';
export * from './water/raceCard';

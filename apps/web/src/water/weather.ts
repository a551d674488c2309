// The stand-in for a service of tides and weather; every device has the same.
import { simulatedWeather } from '@upwell/core/water';

export const WEATHER = simulatedWeather(7);

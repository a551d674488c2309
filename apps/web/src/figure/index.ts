export { FigureCard } from './FigureCard';
export { FigureThumb } from './FigureThumb';
export { FigureView } from './FigureView';
export { Choices, MovingFigure } from './MovingFigure';

export { FigureView } from './FigureView';
export { Choices, MovingFigure } from './MovingFigure';

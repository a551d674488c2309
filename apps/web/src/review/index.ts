import { laterFrom } from '@/ui/later';

const later = laterFrom(() => import('./screens'), 'Opening the review');

export const ClipScreen = later('ClipScreen');
export const FocusScreen = later('FocusScreen');
export const ReviewScreen = later('ReviewScreen');

export { DeckCardScreen as default } from '@/deck/screens/DeckCardScreen';

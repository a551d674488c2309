export { DeckScreen as default } from '@/deck/screens/DeckScreen';

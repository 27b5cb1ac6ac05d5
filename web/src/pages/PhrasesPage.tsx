import { Phrases } from '../features/phrases/Phrases';

export function PhrasesPage() {
  return <Phrases />;
}

/** Where results are on their way into the records, and what is to be decided about them. */
import type { ImportView } from '@upwell/contract/records';
import { counted, numberWord } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { Button } from 'react-native-paper';
import { Notice } from '@/ui/States';
import type { Import } from '../useImport';
import { Asking, KnownRows, Progress, Unheard } from './ImportSteps';

export function ImportWay({ imported }: { readonly imported: Import }) {
  const router = useRouter();
  const { step } = imported;
  switch (step.at) {
    case 'ready':
      return step.problem ? <Notice tone="error">{step.problem}</Notice> : null;
    case 'sending':
      return <Progress share={step.share} onStop={imported.stop} />;
    case 'storing':
      return <Progress share={null} />;
    case 'asking':
      return <Asking onStop={imported.stop} />;
    case 'known':
      return <KnownRows check={step.check} onStore={imported.decide} onCancel={imported.forget} />;
    case 'unheard':
      return <Unheard pending={step.pending} onAsk={imported.askAgain} onForget={imported.forget} />;
    case 'stored':
      return (
        <Notice
          action={
            <Button mode="outlined" onPress={() => router.navigate('/swimmers/results' as Href)}>
              See them
            </Button>
          }
        >
          {storedWords(step.done)}
        </Notice>
      );
  }
}

function storedWords({ stored, rows, undoneAt }: ImportView): string {
  if (undoneAt) return 'This import was stored and then undone.';
  const left = rows - stored;
  const known = left > 0 ? ` ${numberWord(left)} were already here and left as they are.` : '';
  return `${counted(stored, 'result is', 'results are')} stored.${known}`;
}

import type { SeriesScope } from '@upwell/core/sessions';
import { sessionFieldsOf } from '@upwell/contract/sessions';
import { useToday } from '@/state/hooks';
import type { SessionFields, SessionView } from '@upwell/contract/sessions';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { Linking, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { addDays } from '@upwell/core/days';
import { dayWord } from '@upwell/core/words';
import { Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { useRemoveSessionMutation, useSaveSessionMutation } from '../api';
import { copyOn } from '../copy';

/** Take it along: on paper, as a file, in the calendar; or use it again. */
export function FilesPane({ stored, changed }: { readonly stored: SessionView; readonly changed: boolean }) {
  const [size, setSize] = useState<'A5' | 'A4'>('A5');
  const [per, setPer] = useState<'level' | 'lane'>('level');
  const open = (path: string) => void Linking.openURL(`/api/v1/sessions/${stored.id}/${path}`);
  return (
    <View>
      {changed ? <Notice>Save your changes first: files are made from the saved session.</Notice> : null}
      <Card title="On paper">
        <View style={styles.row}>
          <Choice
            label="Size"
            options={[
              { value: 'A5', label: 'A5' },
              { value: 'A4', label: 'A4' },
            ]}
            chosen={[size]}
            onPress={setSize}
          />
          <Choice
            label="One page for each"
            options={[
              { value: 'level', label: 'level' },
              { value: 'lane', label: 'lane' },
            ]}
            chosen={[per]}
            onPress={setPer}
          />
        </View>
        <Button
          mode="contained"
          icon="printer"
          style={styles.start}
          onPress={() => open(`sheet.pdf?size=${size}&per=${per}`)}
        >
          Print (PDF)
        </Button>
      </Card>
      <Card title="As a file">
        <View style={styles.row}>
          <Button mode="outlined" icon="text-box-outline" onPress={() => open('export/upwell')}>
            Text (.upwell)
          </Button>
          <Button mode="outlined" icon="download" onPress={() => open('export/json')}>
            JSON
          </Button>
          <Button mode="outlined" icon="download" onPress={() => open('export/csv')}>
            CSV
          </Button>
          <Button mode="outlined" icon="calendar" onPress={() => open('export/ics')}>
            Calendar
          </Button>
        </View>
        <Text variant="bodySmall">Text, JSON and CSV can be read back under Sessions, Write one.</Text>
      </Card>
      <Again stored={stored} changed={changed} />
    </View>
  );
}

/** A copy, a template, a series of weeks, or gone for good. */
function Again({ stored, changed }: { readonly stored: SessionView; readonly changed: boolean }) {
  const router = useRouter();
  const [weeks, setWeeks] = useState(4);
  const [sure, setSure] = useState(false);
  const [said, setSaid] = useState('');
  // Pressed twice it would make every week twice.
  const [repeated, setRepeated] = useState(false);
  const [save, saving] = useSaveSessionMutation();
  const [remove, removing] = useRemoveSessionMutation();
  const today = useToday();
  const copy = async (date: string, more: Partial<SessionFields> = {}): Promise<string | null> => {
    const id = v7();
    const result = await save({ id, body: copyOn(date, sessionFieldsOf(stored), more) });
    return 'error' in result && result.error ? null : id;
  };
  const duplicate = async () => {
    const id = await copy(today > stored.date ? today : addDays(stored.date, 7));
    if (id) router.navigate(`/sessions/${id}` as Href);
  };
  const template = async () => {
    if (await copy(today, { template: true })) setSaid('Saved as a template.');
  };
  const series = async () => {
    const seriesId = stored.seriesId ?? v7();
    // The first of a series is one of it.
    if (stored.seriesId === null) {
      const body = { ...sessionFieldsOf(stored), seriesId, version: stored.version, writeId: v7() };
      const result = await save({ id: stored.id, body });
      if ('error' in result && result.error) return;
    }
    for (let week = 1; week <= weeks; week++) {
      if (!(await copy(addDays(stored.date, week * 7), { seriesId }))) return;
    }
    setRepeated(true);
    setSaid(`${weeks} more, to ${dayWord(addDays(stored.date, weeks * 7))}.`);
  };
  const gone = async (series?: SeriesScope) => {
    const result = await remove({ id: stored.id, ...(series ? { series } : {}) });
    if (!('error' in result && result.error)) router.replace('/sessions');
  };
  const failed = saving.error ?? removing.error;
  return (
    <Card title="Use it again">
      <View style={styles.row}>
        <Button mode="outlined" icon="content-copy" onPress={() => void duplicate()}>
          {stored.template ? 'Plan with it' : 'Copy it'}
        </Button>
        {stored.template ? null : (
          <Button mode="outlined" icon="star-outline" onPress={() => void template()}>
            Save as template
          </Button>
        )}
      </View>
      {stored.template ? null : (
        <View style={styles.row}>
          <Stepper
            label="weeks more"
            value={String(weeks)}
            onLess={weeks > 1 ? () => setWeeks(weeks - 1) : null}
            onMore={weeks < 20 ? () => setWeeks(weeks + 1) : null}
          />
          <Button
            mode="outlined"
            icon="repeat"
            disabled={saving.isLoading || changed || repeated}
            onPress={() => void series()}
          >
            Every week
          </Button>
        </View>
      )}
      {said ? <Text aria-live="polite">{said}</Text> : null}
      {failed ? <Notice tone="error">{sentence(failed)}</Notice> : null}
      {sure ? (
        <View style={styles.row}>
          <Text>{stored.seriesId ? 'Delete for good? Of its series, what was swum stays.' : 'Delete for good?'}</Text>
          <Button mode="contained" onPress={() => void gone()}>
            Yes, delete it
          </Button>
          {stored.seriesId ? (
            <>
              <Button mode="outlined" onPress={() => void gone('later')}>
                It and later ones
              </Button>
              <Button mode="outlined" onPress={() => void gone('all')}>
                The whole series
              </Button>
            </>
          ) : null}
          <Button onPress={() => setSure(false)}>Keep it</Button>
        </View>
      ) : (
        <Button icon="trash-can-outline" style={styles.start} onPress={() => setSure(true)}>
          Delete from the calendar
        </Button>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'center', marginVertical: 4 },
  start: { alignSelf: 'flex-start', marginTop: 8 },
});

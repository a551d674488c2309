/** The field with which a list is searched. */
import type { ComponentProps } from 'react';
import { Searchbar } from 'react-native-paper';

interface Props extends Pick<ComponentProps<typeof Searchbar>, 'placeholder' | 'style'> {
  /** What it finds, for a screen reader. */
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

// By itself Paper draws its icons from a font that the app does not ship.
export const SearchField = ({ label, onChange, ...rest }: Props) => (
  <Searchbar icon="magnify" clearIcon="close" accessibilityLabel={label} onChangeText={onChange} {...rest} />
);

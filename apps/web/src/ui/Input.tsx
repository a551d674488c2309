import { TextInput, type TextInputProps } from 'react-native-paper';

/** Paper's outlined field; its label is also the name that a screen reader says (Paper draws it only). */
export function Input({ label, ...props }: TextInputProps & { readonly label: string }) {
  return <TextInput mode="outlined" label={label} accessibilityLabel={label} {...props} />;
}

Input.Icon = TextInput.Icon;

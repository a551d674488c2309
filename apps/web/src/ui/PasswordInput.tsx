/** A password, hidden until somebody asks to see it. */
import { useState } from 'react';
import { Input } from '@/ui/Input';

interface PasswordInputProps {
  readonly label: string;
  readonly value: string;
  readonly onChangeText: (text: string) => void;
  /** Chosen now, not the one that is in use: the browser offers to make one up. */
  readonly fresh?: boolean;
  readonly error?: boolean;
  readonly onSubmit?: () => void;
}

export function PasswordInput({
  label,
  value,
  onChangeText,
  fresh = false,
  error = false,
  onSubmit,
}: PasswordInputProps) {
  const [shown, setShown] = useState(false);
  return (
    <Input
      label={label}
      value={value}
      onChangeText={onChangeText}
      autoComplete={fresh ? 'new-password' : 'current-password'}
      secureTextEntry={!shown}
      error={error}
      right={
        <Input.Icon
          icon={shown ? 'eye-off' : 'eye'}
          accessibilityLabel={shown ? 'Hide password' : 'Show password'}
          onPress={() => setShown(!shown)}
        />
      }
      {...(onSubmit ? { onSubmitEditing: onSubmit } : {})}
    />
  );
}

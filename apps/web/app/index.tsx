import { Redirect, type Href } from 'expo-router';

export default function Start() {
  return <Redirect href={'/deck' as Href} />;
}

/** A still of a clip, as wide as there is room, in its own shape. */
import { Image } from 'react-native';

interface StillPictureProps {
  readonly still: { readonly image: string; readonly width: number; readonly height: number };
  readonly label: string;
}

export function StillPicture({ still: { image, width, height }, label }: StillPictureProps) {
  return (
    <Image
      source={{ uri: `data:image/jpeg;base64,${image}` }}
      accessibilityLabel={label}
      style={{ width: '100%', maxWidth: width, aspectRatio: width / height, borderRadius: 6 }}
    />
  );
}

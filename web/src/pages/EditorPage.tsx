import { useParams } from 'react-router';
import { Editor } from '../features/exercises/Editor';

export function EditorPage() {
  const { exercise } = useParams();
  return <Editor id={exercise!} />;
}

import { useParams } from 'react-router';
import { Term } from '../features/term/Term';

export function TermPage() {
  const { course = '', student = '' } = useParams();
  return <Term key={student} course={course} student={student} />;
}

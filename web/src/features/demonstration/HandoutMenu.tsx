import { files } from '../../api/client';
import { PaperItems } from '../../trade/PaperMenu';

/** The demonstration as a document to print. */
export function HandoutMenu({ id }: { id: string }) {
  return <PaperItems hrefOf={(sheet) => files.handout(id, sheet)} />;
}

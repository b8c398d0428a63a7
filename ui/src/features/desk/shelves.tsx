import { KeptPage, type Kept } from '../kept';
import { brickWords, edgesWords, fileWords, letterWords, sizeWords, subfolderWords, useProductLines } from '../ticket';

const sizeLine = ({ document }: Kept) =>
  document.kind === 'size' &&
  `${sizeWords(document.size)} at ${document.ppi} ppi, ${edgesWords(document.edges)}, as ${fileWords(document.file)}`;

const namesLine = ({ document }: Kept) =>
  document.kind === 'names' &&
  `${document.names.map(brickWords).join(' · ')}, ${letterWords[document.letters]}, ${subfolderWords[document.subfolders]}`;

function ProductLine({ rule }: { rule: Parameters<typeof useProductLines>[0] }) {
  return useProductLines(rule).join('; ');
}

const productLine = ({ document }: Kept) => document.kind === 'product' && <ProductLine rule={document} />;

export const SizesPage = () => (
  <KeptPage
    kind="SIZE"
    title="Saved sizes"
    called="saved size"
    empty={{
      title: 'No size is saved yet',
      words: 'Open the ticket of a job and choose “Save for other jobs”: a size keeps its ppi, edges, sharpening, colours and file.',
    }}
    words={sizeLine}
  />
);

export const NamesPage = () => (
  <KeptPage
    kind="NAMES"
    title="Name patterns"
    called="name pattern"
    empty={{ title: 'No name pattern is saved yet', words: 'Open the ticket of a job and choose “Save for other jobs”.' }}
    words={namesLine}
  />
);

export const ProductsPage = () => (
  <KeptPage
    kind="PRODUCT"
    title="Products"
    called="product rule"
    empty={{ title: 'There is no product rule', words: 'Add one from a file.' }}
    words={productLine}
  />
);

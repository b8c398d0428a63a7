import { Button } from 'antd';
import { useState } from 'react';
import { spokenIn } from '../../shared/format';
import { KeptPage, type Kept } from '../kept';
import { ProductForm } from './ProductForm';
import { brickWords, edgesWords, fileWords, letterWords, sizeWords, subfolderWords, useProductLines } from '../ticket';

const sizeLine = ({ document }: Kept) =>
  document.kind === 'size' &&
  `${sizeWords(spokenIn(document.size, document.unit))} at ${document.ppi} ppi, ${edgesWords(spokenIn(document.edges, document.unit))}, as ${fileWords(document.file)}`;

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

export function ProductsPage() {
  const [open, setOpen] = useState<Kept | 'new'>();
  return (
    <>
      <KeptPage
        kind="PRODUCT"
        title="Products"
        called="product rule"
        empty={{ title: 'There is no product rule', words: 'Add a product, or a file of one.' }}
        words={productLine}
        actions={<Button onClick={() => setOpen('new')}>Add a product</Button>}
        onOpen={setOpen}
      />
      {open && <ProductForm kept={open === 'new' ? undefined : open} onClose={() => setOpen(undefined)} />}
    </>
  );
}

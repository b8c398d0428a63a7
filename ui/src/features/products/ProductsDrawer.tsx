import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Drawer } from 'antd';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, decimals, fileName } from '../../shared/format';
import { Empty, Failed, Loading } from '../../shared/states';
import { Verdict } from '../../shared/Verdict';
import { laidOver } from '../kept';
import { activate, useActiveTicket, useProductLines } from '../ticket';
import './products.css';

interface Props {
  jobId: string;
  originals: Schemas['OriginalView'][];
  onClose: () => void;
}

type Product = Schemas['ProductView'];

/** Which products the pictures of a pile can serve, and why not; a ticket for one is made from here. */
export function ProductsDrawer({ jobId, originals, onClose }: Props) {
  const products = useQuery({
    queryKey: ['kept', 'products', jobId, originals.length],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/products', { params: { path: { jobId } } })),
  });
  const names = new Map(originals.map(({ id, path }) => [id, fileName(path)]));
  return (
    <Drawer open destroyOnHidden title="Products" size={560} onClose={onClose}>
      {products.isPending && <Loading what="the products" />}
      {products.isError && <Failed error={products.error} again={() => void products.refetch()} />}
      {products.data?.length === 0 && <Empty title="There is no product rule">Add one on the desk.</Empty>}
      {products.data?.map((product) => (
        <OneProduct key={product.keptId} jobId={jobId} product={product} nameOf={(id) => names.get(id) ?? ''} />
      ))}
    </Drawer>
  );
}

function OneProduct({ jobId, product, nameOf }: { jobId: string; product: Product; nameOf: (id: string) => string }) {
  const ticket = useActiveTicket(jobId);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { message } = App.useApp();
  const make = useMutation({
    mutationFn: async () => {
      const laid = await laidOver(product.keptId, ticket!.document);
      const folder = product.name.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '');
      const body = { ...laid, name: product.name, folder: folder || 'product' };
      return answer(api.POST('/api/v1/jobs/{jobId}/tickets', { params: { path: { jobId } }, body }));
    },
    onSuccess: (added) => {
      void queries.invalidateQueries({ queryKey: ['tickets', jobId] });
      void queries.invalidateQueries({ queryKey: ['jobs'] });
      activate(jobId, added.id);
      void navigate(`/jobs/${jobId}/ticket/${added.id}`);
    },
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
  });
  const failing = product.pictures.filter(({ problem }) => problem);
  const serving = product.pictures.length - failing.length;
  return (
    <section className="product" aria-label={product.name}>
      <div className="product-head">
        <strong>{product.name}</strong>
        <Button size="small" disabled={!ticket || serving === 0} loading={make.isPending} onClick={() => make.mutate()}>
          Make a ticket for it
        </Button>
      </div>
      <p className="quiet">{useProductLines(product.rule).join('; ')}</p>
      <Verdict
        level={serving === 0 ? 'POOR' : failing.length > 0 ? 'SOFT' : 'FINE'}
        text={`${serving} of ${count(product.pictures.length, 'picture')} can serve`}
        plain
      />
      {failing.length > 0 && (
        <ul>
          {failing.map(({ originalId, bestPpi }) => (
            <li key={originalId}>
              {nameOf(originalId)}: {decimals(bestPpi, 0)} ppi at best
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

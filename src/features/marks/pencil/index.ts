export { PencilLayer } from './pencil-layer';
export { PencilPanel } from './pencil-panel';
export { usePencil } from './use-pencil';

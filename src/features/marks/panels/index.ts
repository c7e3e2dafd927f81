export { SidePanels } from './side-panels';

/** The four drawings (bar strip, ladder, rung mark, mark lanes) and the small parts. They know nothing of the store. */
export { BarStrip, type StripArc, type StripBar, type StripBracket, type StripJump } from './bar-strip';
export { Button, EmptyState, Panel, Problem } from './controls';
export { counted } from './counted';
export { downloadFile } from './download';
export { EngravedLines, type LineLayout } from './engraved-lines';
export { InstrumentOptions } from './instrument-options';
export { WayDrawing, WayRow, type DrawnGroup, type DrawnPlace } from './way-drawing';
export { LadderDrawing, type DrawnRung } from './ladder-drawing';
export { CurveLane, TextLane, type CurvePoint, type DynamicLevel, type LaneText, type MarkSource } from './mark-lanes';
export { RungMark } from './rung-mark';
export { HandMap, type HandMapDrawing } from './hand-map';
export { TempoCurve } from './tempo-curve';
export { TimeChart, type ChartLine } from './time-chart';
export { isValveText, KeyLane } from './key-picture';
export { sentence } from './sentence';
export { Choose } from './choose';
export { MoreMenu } from './more-menu';

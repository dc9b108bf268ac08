export { type Phrase, phraseIndexAt, phrasesOf } from './phrases';
export { planOf, type Planned, type PlanReason } from './plan';
export { proposeStyle, type ProposedStyle, type StyleReason } from './proposing';
export type { StyledStrike } from './leftStream';
export { restsAt } from './streamEvents';
export { chordScale, scaleChromas } from './scale';
export { type FigureRow, STYLES, type Style, styleOf } from './styles';
export { figureOf, isStyled, type Shape, type ShapedPhrase, shapeOf, styledLeft } from './shape';
export { type Loudness, loudnessAt, loudnessOf, loudnessOfSections } from './loudness';

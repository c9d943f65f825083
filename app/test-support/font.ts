/** Stands for a font file: no test looks at one. */
export default 1;

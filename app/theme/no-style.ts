/** Stands in for the style sheets of PrimeVue's own themes, which this application does not wear. */
export const style = ''
export default { css: '' }

/**
 * Stands in for PrimeVue's ripple, which this application does not show: as a directive on every button it writes the
 * style sheet of its library anew at each update, and the page is laid out again with every step of a drag.
 */
export default {}

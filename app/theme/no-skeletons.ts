/** Stands in for the parser of number and date skeletons: messages name plurals and choices, and their amounts are printed before. */
function none(): never {
  throw new Error('Messages hold no number or date skeletons.')
}
export { none as parseDateTimeSkeleton, none as parseNumberSkeleton, none as parseNumberSkeletonFromString }

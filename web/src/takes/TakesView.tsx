export function TakesView() {
  return null
}

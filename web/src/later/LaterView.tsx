export function LaterView() {
  return null
}

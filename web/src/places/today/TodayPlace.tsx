export function TodayPlace() {
  return null;
}

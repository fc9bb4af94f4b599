export function LogbookPlace() {
  return null;
}

// Times in one format everywhere, on the reader's own clock: 2026-11-27 14:05.

export function showTimes(within = document) {
  const two = (n) => String(n).padStart(2, "0");
  for (const element of within.querySelectorAll("time[data-time]")) {
    const at = new Date(element.dateTime);
    const day = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
    const words = `${day} ${two(at.getHours())}:${two(at.getMinutes())}`;
    if (element.textContent !== words) element.textContent = words;
  }
}

// Seconds as people say them.
export const timeLeft = (left) => {
  if (left >= 86400) return `${Math.floor(left / 86400)} d ${Math.floor((left % 86400) / 3600)} h`;
  if (left >= 3600) return `${Math.floor(left / 3600)} h ${Math.floor((left % 3600) / 60)} min`;
  const minutes = Math.floor(left / 60);
  return minutes > 0 ? `${minutes} min ${String(left % 60).padStart(2, "0")} s` : `${left} s`;
};

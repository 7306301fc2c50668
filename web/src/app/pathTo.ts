/** What leads to an episode's addresses. */
export const pathTo = (episode: string) => ({
  params: { path: { id: episode } },
});

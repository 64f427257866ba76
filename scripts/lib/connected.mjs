/** Do something with a connection of its own; pg comes with the packages, which are not there yet when this file is read. */
export async function connected(url, work) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

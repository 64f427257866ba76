// Before anything is painted: the light the person chose, so that a dark room stays dark.
try {
  const { light } = JSON.parse(localStorage.getItem('plesion.look') || '{}');
  const lamp = light === 'lamp' || (light === 'device' && matchMedia('(prefers-color-scheme: dark)').matches);
  document.documentElement.dataset.light = lamp ? 'lamp' : 'day';
} catch {
  document.documentElement.dataset.light = 'day';
}

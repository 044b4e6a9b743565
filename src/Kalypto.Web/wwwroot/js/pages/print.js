document.getElementById('print').addEventListener('click', () => print());

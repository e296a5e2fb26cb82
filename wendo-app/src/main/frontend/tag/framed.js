// Tells the page around it how tall it is, and what it is called.
const tell = () => parent.postMessage({ wendo: "size", height: Math.ceil(document.body.getBoundingClientRect().height), title: document.title }, "*");
new ResizeObserver(tell).observe(document.body);
tell();

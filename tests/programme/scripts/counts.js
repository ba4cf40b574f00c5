// SPDX-License-Identifier: GPL-3.0-or-later
press("Begin");
const begun = performance.now(), seen = [];
press("Start");
let before = "";
while (performance.now() - begun < 900000 && document.querySelector(".phase")) {
  const now = document.querySelector(".above").innerText + "|" + document.querySelector(".phase").innerText;
  if (now !== before) seen.push([(performance.now() - begun) / 1000, before = now]);
  pass(0.01);
}
tell({ seen, end: (performance.now() - begun) / 1000, text: text() });

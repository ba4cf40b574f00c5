// SPDX-License-Identifier: GPL-3.0-or-later
const step = sessionStorage.getItem("step") || "0";
const left = () => +document.querySelector(".count").innerText;
if (step === "0") {
  press("Begin"); press("Start");
  pass(15);                    // 10 s to get ready, 5 s of the hold
  press("Pause");
  const before = left();
  pass(60);
  sessionStorage.setItem("step", "1");
  sessionStorage.setItem("seen", JSON.stringify([before, left()]));
  press("Go on");
  pass(3.05);
  location.reload();
} else {
  const [before, paused] = JSON.parse(sessionStorage.getItem("seen"));
  const after = left(), shown = text();
  pass(5);
  const still = left();
  press("Go on");
  pass(4);
  tell({ before, paused, after, still, on: left(), shown });
}

"""The browser that tests, benchmarks and pictures drive: Debian's headless Chromium."""

EXECUTABLE = "/usr/bin/chromium-headless-shell"
FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--disable-dev-shm-usage",
    "--renderer-process-limit=1",
    "--in-process-gpu",
    "--no-zygote",
]
DESK = {"width": 1280, "height": 800}
PHONE = {"width": 390, "height": 844}

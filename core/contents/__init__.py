"""What is in a room: added in its usual size, changed, taken out."""

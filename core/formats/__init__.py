"""Open, versioned file formats: read with every error by its place, written without loss."""

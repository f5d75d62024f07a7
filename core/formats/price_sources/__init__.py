"""What shops say of their prices: feeds as tables or JSON, and pages that carry structured data, read alike."""

"""Shops and what they offer, each as its owner knows them."""

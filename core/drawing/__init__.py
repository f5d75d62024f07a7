"""The drawing as geometry with meaning: floor plan and side section, dimension lines, and what may be dragged."""

from core.drawing.scene import scene_of, stowed_scene_of
from core.drawing.shapes import Dimension, Handle, Layer, Scene, Shape, View

__all__ = ["Dimension", "Handle", "Layer", "Scene", "Shape", "View", "scene_of", "stowed_scene_of"]

"""What answers with a plan that a person may take: themes, names, smaller ladders, order, palettes."""

"""What is shown: from resolved documents to the answers that the page paints. Knows no storage and no routes."""

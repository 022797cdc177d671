/** What is said where a part of the page has broken: the rest goes on, and nothing that was kept is lost. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { Component, type ReactNode } from "react";
import { ToolButton } from "../components/ToolButton";

interface Props {
  /** What would be shown, at the beginning of a sentence. */
  what: string;
  children: ReactNode;
}

export class ErrorBoundary extends Component<Props, { error: Error | null }> {
  state = { error: null as Error | null };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    return (
      <Box padding="20px" role="alert" data-testid="broken">
        <Text fontWeight="700" marginBottom="4px">
          {this.props.what} cannot be shown: {error.message}
        </Text>
        <Text marginBottom="8px">Everything that was kept is safe.</Text>
        <Flex gap="8px">
          <ToolButton onClick={() => this.setState({ error: null })}>Show it again</ToolButton>
          {/* A script that has been replaced since is found by a new page alone. */}
          <ToolButton onClick={() => window.location.reload()}>Load the page anew</ToolButton>
        </Flex>
      </Box>
    );
  }
}

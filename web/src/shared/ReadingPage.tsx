/** A reading test: figures one after another in two colors, typed by whoever has the link. */
import { Box, Flex, Heading, Input, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useId, useState } from "react";
import { useParams } from "react-router";
import { client, data, problemOf } from "../api/client";
import { ToolButton } from "../components/ToolButton";

export function ReadingPage() {
  const { key = "" } = useParams();
  const [answers, setAnswers] = useState<string[]>([]);
  const [typed, setTyped] = useState("");
  const [problem, setProblem] = useState("");
  const [done, setDone] = useState(false);
  const id = useId();
  const query = useQuery({
    queryKey: ["reading", key],
    queryFn: () => data(client.POST("/api/reading-tests/{key}/readers", { params: { path: { key } } })),
    retry: false,
    // Figures are for one reader, once.
    staleTime: Number.POSITIVE_INFINITY,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  });
  const task = query.data;
  if (query.error || done)
    return (
      <Box as="main" padding="20px" bg="bg" color="fg" height="100%">
        <Heading as="h1" fontSize="20px" marginBottom="8px">
          {done ? "That was all" : problemOf(query.error).message}
        </Heading>
        <Text>
          {done
            ? "What you read is counted, without your name. You can close this page."
            : "Ask who gave it to you for another one."}
        </Text>
      </Box>
    );
  if (!task) return null;
  const shown = task.figures[answers.length];
  const send = async (all: string[]) => {
    try {
      await data(
        client.POST("/api/reading-tests/{key}", {
          params: { path: { key } },
          body: { reader: task.reader, typed: all },
        }),
      );
      setDone(true);
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  const next = (text: string) => {
    if (shown === undefined) return;
    const all = [...answers, text.trim().slice(0, 20)];
    setAnswers(all);
    setTyped("");
    if (all.length === task.figures.length) void send(all);
  };
  const enter = (event: FormEvent) => {
    event.preventDefault();
    if (shown === undefined) void send(answers);
    else if (typed.trim()) next(typed);
  };
  return (
    <Box as="main" height="100%" bg="bg" color="fg">
      <Box padding="16px 20px">
        <Heading as="h1" fontSize="20px" marginBottom="4px">
          Can you read this?
        </Heading>
        <Text>
          Type the figures as you see them, at the distance at which you usually read. {task.figures.length}{" "}
          in all.
        </Text>
      </Box>
      <Flex
        height="220px"
        align="center"
        justify="center"
        data-sample
        data-testid="figure"
        style={{ background: task.ground, color: task.ink, fontSize: task.px }}
      >
        {shown}
      </Flex>
      <Flex as="form" gap="10px" align="flex-end" wrap="wrap" padding="16px 20px" onSubmit={enter}>
        <label htmlFor={id}>
          <Text fontSize="12px" color="fg.muted">
            What stands there, {Math.min(answers.length + 1, task.figures.length)} of {task.figures.length}
          </Text>
          <Input
            id={id}
            autoFocus
            autoComplete="off"
            inputMode="numeric"
            maxLength={20}
            width="160px"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <ToolButton type="submit">{shown === undefined ? "Send again" : "Next"}</ToolButton>
        {shown !== undefined && <ToolButton onClick={() => next("")}>I cannot read it</ToolButton>}
        {problem && (
          <Text role="alert" fontWeight="700">
            {problem}
          </Text>
        )}
      </Flex>
    </Box>
  );
}

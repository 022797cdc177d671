/** The same sheet of another alternative, beside this one: it is looked at as this one is, and can be worked on too. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { type ReactNode, useEffect, useRef } from "react";
import { ToolButton } from "../components/ToolButton";
import { addressOf, type Look, look, useLook } from "../workspace/look";

/** What the two sheets share; work areas stay where they were opened. */
type Shared = Omit<Look, "slug" | "area" | "beside" | "bare">;
const ABOUT = "heimat-look";

const sharedOf = ({ slug: _, area: __, beside: ___, bare: ____, ...shared }: Look): Shared => shared;

export function Beside() {
  const beside = useLook((at) => at.beside);
  const bare = useLook((at) => at.bare);
  if (bare) return <Follower />;
  return beside === null ? null : <Other key={beside} slug={beside} />;
}

function Other({ slug }: { slug: string }) {
  const frame = useRef<HTMLIFrameElement>(null);
  // Where it begins; from then on the two tell each other what changes, and it is not loaded anew.
  const address = useRef(addressOf({ ...useLook.getState(), slug, area: null, beside: null, bare: true }));
  useEffect(() => lookAlike(() => frame.current?.contentWindow), []);
  return (
    <Flex as="aside" direction="column" flex="1" minWidth="0" borderLeft="1px solid" borderColor="fg">
      <Head words="Beside it" slug={slug}>
        <ToolButton marginLeft="auto" onClick={() => look({ beside: null })}>
          Close {nameOf(slug)}
        </ToolButton>
      </Head>
      <Box flex="1" minHeight="0" position="relative">
        <iframe
          ref={frame}
          title={`The sheet of ${nameOf(slug)}`}
          src={address.current.pathname + address.current.search}
          style={{ border: 0, width: "100%", height: "100%" }}
        />
      </Box>
    </Flex>
  );
}

/** Over this sheet, so that both begin at the same height. */
export function BesideHead() {
  const slug = useLook((at) => at.slug);
  const shown = useLook((at) => at.beside !== null);
  return shown ? <Head words="This one" slug={slug} /> : null;
}

const nameOf = (slug: string) => slug.split("~")[1] ?? "main";

function Head({ words, slug, children }: { words: string; slug: string; children?: ReactNode }) {
  return (
    <Flex align="center" height="34px" flexShrink={0} paddingInline="20px" fontSize="12px" bg="bg" color="fg">
      <Text>
        {words}: <strong>{nameOf(slug)}</strong>
      </Text>
      {children}
    </Flex>
  );
}

/** Within the other sheet. */
function Follower() {
  useEffect(() => lookAlike(() => window.parent), []);
  return null;
}

/** Looks as the other window does, and tells it how this one does; whichever was changed last. */
function lookAlike(other: () => Window | null | undefined): () => void {
  let known = "";
  const tell = (now: Look) => {
    const text = JSON.stringify(sharedOf(now));
    if (text === known) return;
    known = text;
    other()?.postMessage({ about: ABOUT, look: text }, location.origin);
  };
  const hear = (event: MessageEvent) => {
    if (event.origin !== location.origin || event.source !== other() || event.data?.about !== ABOUT) return;
    known = event.data.look as string;
    look(JSON.parse(known) as Shared);
  };
  known = JSON.stringify(sharedOf(useLook.getState()));
  const stop = useLook.subscribe(tell);
  window.addEventListener("message", hear);
  return () => {
    stop();
    window.removeEventListener("message", hear);
  };
}

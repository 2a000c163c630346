/** Opens what stands below a heading to be changed. */
export function Change({ what, onClick }: { what: string; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={`Change ${what}`}
      className="text-river min-h-[36px] underline underline-offset-[3px]"
      onClick={onClick}
    >
      Change
    </button>
  )
}

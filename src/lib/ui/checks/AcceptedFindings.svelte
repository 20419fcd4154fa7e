<script lang="ts">
    /** What the site lives with, and why; any of it can be taken back. */
    import { quoted } from '../../core/sets/tokens.ts';
    import { count } from '../parts/format.ts';
    import type { ViewLinks } from '../view/links.ts';

    interface Props {
        acceptances: readonly { id: number; check: string; subject: string; note: string }[];
        to: ViewLinks;
        /** @returns why it was not, or nothing */
        onWithdraw: (id: number) => Promise<string>;
    }
    let { acceptances, to, onWithdraw }: Props = $props();
    let trouble = $state('');
</script>

<section class="pane" aria-label="Accepted">
    <h2 class="pane-name mb-1">
        {count(acceptances.length)} accepted <span class="note">in this survey or in others of the site</span>
    </h2>
    {#if acceptances.length === 0}
        <p class="ink2">
            Nothing is accepted. A cause is accepted where it is listed, under what follows from it; a single finding on
            the sheet of its page.
        </p>
    {:else}
        <table class="ruled">
            <thead><tr><th>what</th><th>of</th><th>because</th><th></th></tr></thead>
            <tbody>
                {#each acceptances as { id, check, subject, note } (id)}
                    <tr>
                        <td class="nw"
                            >{#if check === ''}<a class="set" href={to.set(`accepted ${quoted(subject, true)}`)}
                                    >a cause</a
                                >{:else}<a class="set" href={to.set(`accepted ${quoted(check, true)}`)}>{check}</a
                                >{/if}</td
                        >
                        <td class="mono breaks">{subject}</td>
                        <td class="breaks">{note}</td>
                        <td
                            ><button
                                class="tb"
                                aria-label="Accept {subject} no longer"
                                onclick={async () => void (trouble = await onWithdraw(id))}>Take back</button
                            ></td
                        >
                    </tr>
                {/each}
            </tbody>
        </table>
    {/if}
    {#if trouble !== ''}<p class="ink2" role="alert">{trouble}</p>{/if}
</section>

<script lang="ts">
    import type { Member, Members } from '@/generated/answers';
    import { drop, post, put } from '@/lib/api';
    import { clock, day } from '@/lib/format';

    type Props = {
        member: Member;
        roles: string[];
        change: (asked: Promise<Members>, well: string) => Promise<void>;
    };
    let { member, roles, change }: Props = $props();
    const at = $derived(`/people/${member.id}`);
</script>

<tr class="border-b border-faint {member.state === 'deactivated' ? 'text-soft' : ''}">
    <td class="py-2 pr-3"
        ><span class="font-medium">{member.name}</span>{member.self ? ', you' : ''}<br /><span
            class="text-soft">{member.email}</span
        ></td
    >
    <td class="pr-3"
        ><select
            class="field"
            aria-label="Role of {member.name}"
            disabled={member.state === 'deactivated'}
            value={member.role}
            onchange={(event) =>
                change(
                    put<Members>(`${at}/role`, { role: event.currentTarget.value }),
                    `${member.name} is ${event.currentTarget.value} now.`,
                )}
        >
            {#each roles as role (role)}<option>{role}</option>{/each}
        </select></td
    >
    <td class="pr-3">{member.state}</td>
    <td class="pr-3">{member.second_factor ? 'on' : 'off'}</td>
    <td class="pr-3 text-soft"
        >{member.signed_in_at ? `${day(member.signed_in_at)} ${clock(member.signed_in_at)}` : 'never'}</td
    >
    <td class="py-2 text-right whitespace-nowrap">
        {#if member.state === 'invited'}<button
                class="btn"
                onclick={() =>
                    change(
                        post<Members>(`${at}/invitation`, {}),
                        `${member.email} is sent the link once more.`,
                    )}>Send again</button
            >{/if}
        {#if member.state === 'deactivated'}<button
                class="btn"
                onclick={() =>
                    change(drop<Members>(`${at}/deactivation`), `${member.name} has access again.`)}
                >Reactivate</button
            >{:else if !member.self}<button
                class="btn"
                onclick={() =>
                    change(
                        post<Members>(`${at}/deactivation`, {}),
                        `${member.name} has no access any more; what they did keeps their name.`,
                    )}>Deactivate</button
            >{/if}
    </td>
</tr>

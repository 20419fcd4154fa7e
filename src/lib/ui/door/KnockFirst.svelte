<!-- The choice to knock at the door before a survey begins. -->
<p class="mt-4 max-w-[760px]">
    <label class="flex gap-2 items-start">
        <input class="mt-1" type="checkbox" name="knock" value="yes" checked />
        <span
            >Knock at the door before it begins
            <span class="note block"
                >A dozen requests more, half of them as another agent: is the site open to be read, and what shuts it?
                The survey begins in any case. Not asked again within ten minutes.</span
            ></span
        >
    </label>
</p>

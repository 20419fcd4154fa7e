/** The tools: data from which a hundred and twenty pages are made, and a care sheet for each. */
export interface Tool {
    slug: string;
    name: string;
    /** Daily fee in crowns; 0 is free. */
    fee: number;
    weight: string;
    use: string;
    branch: string;
    /** A guide that goes with it, by slug; only guides near the top of the list. */
    guide?: string;
}

export interface ToolKind {
    slug: string;
    name: string;
    lead: string;
    tools: Tool[];
}

function tool(line: string): Tool {
    const [slug = '', name = '', fee = '0', weight = '', branch = '', use = '', guide] = line.split('|');
    return { slug, name, fee: Number(fee), weight, branch, use, guide: guide === '' ? undefined : guide };
}

function kind(slug: string, name: string, lead: string, lines: string): ToolKind {
    return {
        slug,
        name,
        lead,
        tools: lines
            .trim()
            .split('\n')
            .map((line) => tool(line.trim())),
    };
}

export const CATALOGUE: ToolKind[] = [
    kind(
        'cutting',
        'Cutting',
        'Saws, blades and whatever makes one thing into two.',
        `
        panel-saw|Panel saw|0|0.6 kg|mill-lane|Sheets and boards across the grain.|choosing-a-hand-saw
        tenon-saw|Tenon saw|0|0.4 kg|mill-lane|Joints that have to close.|choosing-a-hand-saw
        bevel-chisel|Bevel-edged chisel|0|0.2 kg|mill-lane|Recesses, dovetails, hinges.|hanging-a-door
        hammer-drill|Hammer drill|3|2.9 kg|station-yard|Holes in brick and stone.|a-shelf-that-stays-up
        tile-cutter|Tile cutter|2|6.1 kg|station-yard|Straight cuts in glazed tiles.|
        billhook|Billhook|0|0.9 kg|top-meadow|Laying and trimming hedges.|
        pole-pruner|Pole pruner|1|1.8 kg|top-meadow|Branches up to four metres.|
        log-splitter|Log splitter|6|48 kg|station-yard|Rounds up to fifty centimetres.|
        glass-cutter|Glass cutter|0|0.1 kg|old-bakery|Window glass up to six millimetres.|
        bolt-cropper|Bolt cropper|1|3.2 kg|harbour-steps|Chains and rods up to ten millimetres.|
        coping-saw|Coping saw|0|0.3 kg|old-bakery|Curves in thin wood.|
        mitre-saw|Mitre saw|3|17 kg|mill-lane|Angles, one after the other.|
        jigsaw|Jigsaw|2|2.4 kg|mill-lane|Worktops with a sink in them.|
        router-table|Router table|4|19 kg|old-bakery|Grooves, rebates and mouldings.|
        slate-cutter|Slate cutter|2|8 kg|school-road|Straight lines across glaze.|
        circle-cutter|Circle cutter|0|0.1 kg|old-bakery|One scratch, no second try.|
        hedge-shears|Hedge shears|0|1.1 kg|top-meadow|Box, yew and patience.|
        wedge-press|Wedge press|6|48 kg|top-meadow|A winter in one afternoon.|
        disc-cutter|Disc cutter|5|9.4 kg|station-yard|Kerbs and paving.|
        tin-snips|Tin snips|0|0.5 kg|school-road|Gutters and flashing.|`,
    ),
    kind(
        'joining',
        'Joining',
        'Clamps, drivers and keys.',
        `
        impact-driver|Impact driver|2|1.4 kg|mill-lane|Long screws in hard wood.|building-a-raised-bed
        sash-clamp|Sash clamp|0|3.0 kg|old-bakery|Pulling boards together.|gluing-up-a-table-top
        band-clamp|Band clamp|0|0.7 kg|old-bakery|Frames and chairs.|repairing-a-wobbly-chair
        radiator-key|Radiator key|0|0.05 kg|mill-lane|Letting air out of radiators.|
        spark-plug-wrench|Spark plug wrench|0|0.3 kg|station-yard|Plugs of small engines.|
        rivet-gun|Rivet gun|0|0.8 kg|old-bakery|Blind rivets up to five millimetres.|
        staple-gun|Staple gun|0|0.9 kg|mill-lane|Upholstery, felt and membranes.|
        soldering-iron|Soldering iron|1|0.4 kg|old-bakery|Cables and small boards.|
        torque-wrench|Torque wrench|1|1.6 kg|station-yard|Bolts that need a number.|
        glue-gun|Glue gun|0|0.3 kg|school-road|Cardboard, felt and good ideas.|
        biscuit-jointer|Biscuit jointer|2|3.1 kg|old-bakery|Boards edge to edge.|
        dowel-jig|Dowel jig|0|0.6 kg|old-bakery|Holes that meet.|
        pipe-bender|Pipe bender|1|4.2 kg|mill-lane|Copper round corners.|
        crimping-tool|Crimping tool|0|0.7 kg|school-road|Ends of cables.|
        stick-welder|Stick welder|5|14 kg|station-yard|Gates, frames and trailers.|
        nail-gun|Nail gun|4|3.6 kg|station-yard|Battens by the hundred.|
        mitre-clamp|Mitre clamp|0|0.9 kg|old-bakery|Picture frames that close.|
        bench-vice|Bench vice|1|16 kg|mill-lane|A third hand that never tires.|
        pocket-jig|Pocket hole jig|1|1.2 kg|old-bakery|Screws where nobody looks.|
        heat-gun|Heat gun|1|0.8 kg|mill-lane|Shrink sleeves and old paint.|`,
    ),
    kind(
        'measuring',
        'Measuring',
        'Squares, levels and meters.',
        `
        engineers-square|Engineer's square|0|0.5 kg|mill-lane|Right angles you can trust.|marking-out-square
        stud-finder|Stud finder|0|0.2 kg|mill-lane|What is behind the plaster.|a-shelf-that-stays-up
        cable-detector|Pipe and cable detector|1|0.3 kg|mill-lane|What must not be drilled.|
        moisture-meter|Moisture meter|1|0.2 kg|mill-lane|Damp in wood and walls.|
        laser-level|Laser level|3|1.1 kg|station-yard|One line round a whole room.|
        vernier-caliper|Vernier caliper|0|0.2 kg|old-bakery|Tenths of a millimetre.|
        endoscope-camera|Endoscope camera|2|0.4 kg|old-bakery|Looking where you cannot.|
        sound-meter|Sound meter|1|0.3 kg|school-road|How loud it really is.|
        surveyors-tape|Surveyor's tape|0|0.9 kg|top-meadow|Fifty metres in one pull.|
        thermal-camera|Thermal camera|6|0.6 kg|mill-lane|Where the warmth goes.|
        spirit-level|Spirit level|0|0.8 kg|mill-lane|Bubbles that do not argue.|
        plumb-line|Plumb line|0|0.3 kg|old-bakery|What gravity thinks of it.|
        combination-square|Combination square|0|0.6 kg|mill-lane|Four tools on one rule.|
        marking-gauge|Marking gauge|0|0.2 kg|old-bakery|One line, many boards.|
        multimeter|Multimeter|0|0.4 kg|school-road|Volts before fingers.|
        ph-meter|Soil meter|0|0.2 kg|top-meadow|Sour ground and sweet.|
        depth-gauge|Depth gauge|0|0.2 kg|old-bakery|How far down the hole goes.|
        angle-finder|Angle finder|0|0.3 kg|mill-lane|Corners that never were square.|
        air-quality-meter|Air quality meter|2|0.5 kg|school-road|What the room breathes out.|
        thread-gauge|Thread gauge|0|0.1 kg|station-yard|Which bolt it once was.|`,
    ),
    kind(
        'lifting',
        'Lifting',
        'Ladders, hoists and towers.',
        `
        chain-hoist|Chain hoist|4|12 kg|station-yard|Up to one tonne, straight up.|
        combination-ladder|Combination ladder|2|14 kg|station-yard|Stairs, steps and walls.|
        scaffold-tower|Scaffold tower|6|96 kg|station-yard|Working height six metres.|
        roof-ladder|Roof ladder|3|16 kg|station-yard|Pitched roofs with a ridge hook.|
        ratchet-strap|Ratchet strap|0|1.2 kg|station-yard|Loads up to two tonnes.|
        mini-excavator|Mini excavator|60|900 kg|station-yard|Ponds, drains and foundations.|
        stair-trolley|Stair trolley|2|11 kg|mill-lane|Washing machines and patience.|
        engine-crane|Engine crane|5|74 kg|station-yard|Engines out and in again.|
        trolley-jack|Trolley jack|2|28 kg|station-yard|Cars, one corner at a time.|
        rope-block|Rope and block|1|5 kg|harbour-steps|Boats, pianos, sacks.|
        sack-truck|Sack truck|1|12 kg|mill-lane|Fridges and the boxes on them.|
        pallet-truck|Pallet truck|3|64 kg|station-yard|Two tonnes, on a flat floor.|
        platform-ladder|Platform ladder|2|18 kg|school-road|Ceilings, with both hands free.|
        drywall-lift|Plasterboard lift|4|46 kg|mill-lane|Boards up, and staying there.|
        furniture-dolly|Furniture dolly|0|4 kg|mill-lane|Pianos by the inch.|
        lever-hoist|Lever hoist|2|9 kg|station-yard|A metre, with conviction.|
        beam-clamp|Beam clamp|1|4 kg|station-yard|Somewhere to hang it.|
        roof-anchor|Roof anchor|2|6 kg|station-yard|The rope that stays.|
        tow-rope|Tow rope|0|3 kg|station-yard|Out of the mud again.|
        sling-set|Sling set|1|5 kg|harbour-steps|Boats and boilers.|`,
    ),
    kind(
        'cleaning',
        'Cleaning',
        'Pumps, brushes and masks.',
        `
        drain-snake|Drain snake|0|2.2 kg|mill-lane|Blockages within eight metres.|
        drain-rods|Drain rods|0|6 kg|mill-lane|Blockages beyond that.|
        half-mask-respirator|Half-mask respirator|0|0.3 kg|mill-lane|Dust you cannot see.|dust-and-your-lungs
        pressure-washer|Pressure washer|4|22 kg|station-yard|Stone, decks and boats.|
        carpet-cleaner|Carpet cleaner|4|15 kg|mill-lane|Stains with a history.|
        dehumidifier|Dehumidifier|2|18 kg|mill-lane|Twenty litres a day.|
        wet-vacuum|Wet vacuum|3|9 kg|mill-lane|Floods up to the ankle.|
        gutter-brush|Gutter brush|0|1.5 kg|top-meadow|Leaves, moss and one tennis ball.|
        bilge-pump|Bilge pump|1|4 kg|harbour-steps|Water that should be outside.|
        chimney-set|Chimney set|2|7 kg|old-bakery|Flues up to ten metres.|
        floor-polisher|Floor polisher|3|31 kg|school-road|Halls before a dance.|
        window-kit|Window kit|0|1.4 kg|mill-lane|Streaks, mostly other people's.|
        steam-cleaner|Steam cleaner|3|6 kg|mill-lane|Grout and ovens.|
        leaf-blower|Leaf blower|2|4.4 kg|top-meadow|Leaves, to where they were going.|
        patio-brush|Patio brush|1|5 kg|top-meadow|Moss between slabs.|
        dust-extractor|Dust extractor|3|13 kg|old-bakery|The other half of sanding.|
        sludge-pump|Sludge pump|3|21 kg|harbour-steps|What is at the bottom.|
        gutter-vacuum|Gutter vacuum|4|19 kg|station-yard|Leaves from the ground up.|
        upholstery-tool|Upholstery extractor|2|8 kg|mill-lane|Sofas with a past.|
        rust-remover|Rust removal bath|1|11 kg|station-yard|Hinges overnight.|`,
    ),
    kind(
        'finishing',
        'Finishing',
        'Planes, sanders and stones.',
        `
        combination-stone|Combination stone|0|0.7 kg|mill-lane|Coarse side, fine side.|sharpening-a-plane-iron
        smoothing-plane|Smoothing plane|0|1.7 kg|mill-lane|The last pass.|sharpening-a-plane-iron
        block-plane|Low-angle block plane|0|0.6 kg|old-bakery|End grain and corners.|
        drum-sander|Drum sander|6|64 kg|station-yard|Floors, the whole field.|sanding-a-floor
        edge-sander|Edge sander|4|13 kg|station-yard|Floors, the border.|sanding-a-floor
        putty-knife|Putty knife|0|0.1 kg|old-bakery|Glazing and filling.|
        tap-reseater|Tap reseating tool|0|0.4 kg|mill-lane|Taps that still drip.|
        scythe-stone|Scythe stone|0|0.2 kg|top-meadow|An edge in the field.|
        chainsaw-jig|Chainsaw sharpening jig|1|0.9 kg|top-meadow|Teeth of equal length.|
        spray-gun|Spray gun|3|1.9 kg|old-bakery|Paint in thin coats.|
        belt-sander|Belt sander|2|5.1 kg|mill-lane|Doors that stick.|
        orbital-sander|Orbital sander|1|1.4 kg|mill-lane|The grits after the first.|
        scraper-set|Scraper set|0|0.4 kg|old-bakery|Shavings instead of dust.|
        wallpaper-steamer|Wallpaper steamer|2|5 kg|school-road|Six layers of taste.|
        paint-sprayer|Airless paint sprayer|5|16 kg|station-yard|Fences by the mile.|
        plaster-hawk|Plaster hawk|0|0.9 kg|school-road|What the trowel takes from.|
        tile-float|Tile float|0|0.5 kg|school-road|Grout, pressed home.|
        edge-trimmer|Edge trimmer|1|1.8 kg|old-bakery|Veneer, flush.|
        polishing-kit|Polishing kit|1|2.2 kg|old-bakery|Brass, and the back of it.|
        lime-trowel|Lime trowel|0|0.6 kg|mill-lane|Walls that breathe.|`,
    ),
];

/** The tools: data from which sixty pages are made. */
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
        bolt-cropper|Bolt cropper|1|3.2 kg|harbour-steps|Chains and rods up to ten millimetres.|`,
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
        glue-gun|Glue gun|0|0.3 kg|school-road|Cardboard, felt and good ideas.|`,
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
        thermal-camera|Thermal camera|6|0.6 kg|mill-lane|Where the warmth goes.|`,
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
        rope-block|Rope and block|1|5 kg|harbour-steps|Boats, pianos, sacks.|`,
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
        chimney-set|Chimney set|2|7 kg|old-bakery|Flues up to ten metres.|`,
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
        spray-gun|Spray gun|3|1.9 kg|old-bakery|Paint in thin coats.|`,
    ),
];

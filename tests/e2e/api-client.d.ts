export interface paths {
    "/api/v1/commands": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Carries out commands, each once and by itself; at most 200.
         * @description Answers with what became of each, in their order. Send the same list again where no answer came: nothing is done twice.
         */
        post: operations["write"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/team": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The team, its people, and whose key this is. */
        get: operations["team"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/machines": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Every machine with where it stands. */
        get: operations["machines"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/machines/{id}/due": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What falls due on a machine, what presses most first. */
        get: operations["due"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/readings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Readings in force, the latest 500 first. */
        get: operations["readings"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/findings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Findings that stand open. */
        get: operations["findings"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/visits/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A visit: its steps in order, what it opens, and how far it is. */
        get: operations["visit"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/records": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What was done, the latest 500 first. */
        get: operations["records"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/v1/records/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** A record, with what was done at the bench where it was done there. */
        get: operations["record"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
}
export type webhooks = Record<string, never>;
export interface components {
    schemas: {
        PersonAdd: {
            /** Format: uuid */
            id: string;
            name: string;
            /** @enum {string} */
            role: "chief mechanic" | "mechanic" | "rider" | "owner";
        };
        PersonLeave: {
            /** Format: uuid */
            personId: string;
            left: boolean;
        };
        RuleSet: {
            /** Format: uuid */
            id: string;
            key: string;
            /** @default null */
            machineId?: string | null;
            value: (string | number | boolean) | null;
            /** @default  */
            word?: string;
        };
        MachineAdd: {
            /** Format: uuid */
            id: string;
            plate: string;
            name: string;
            /** @default  */
            maker?: string;
            /** @enum {string} */
            kind: "four-stroke enduro" | "two-stroke enduro" | "four-stroke motocross" | "two-stroke motocross" | "dual-sport" | "youth bike" | "sport quad" | "utility quad" | "electric";
            /** @default null */
            riderId?: string | null;
            /** @enum {string} */
            meter: "hour meter" | "reckoned";
            reading: string;
            tasks: {
                /** Format: uuid */
                id: string;
                name: string;
                /** @default null */
                job?: string | null;
                /** @default  */
                note?: string;
                triggers: {
                    /** Format: uuid */
                    id: string;
                    /** @enum {string} */
                    measure: "hours" | "distance" | "days" | "outings" | "races" | "times";
                    /** @default null */
                    ofTaskId?: string | null;
                    every: string;
                    /** @default  */
                    limit?: string;
                    /** @default  */
                    first?: string;
                    /** @default  */
                    firstLimit?: string;
                }[];
                /** @default null */
                ageing?: ("by the meter" | "by the riding") | null;
                /** @default null */
                anchoring?: ("from done" | "from due") | null;
                /** @default {} */
                sensitivity?: {
                    [key: string]: string;
                };
                /** @default false */
                perPart?: boolean;
                /** @default true */
                restartsOnRebuild?: boolean;
                answers?: ("hard to start" | "backfires" | "runs badly" | "clutch slips" | "clutch drags" | "gears jump out" | "overheats" | "smokes" | "oil leak" | "squeak from the steering" | "play in the steering" | "brake weak or spongy" | "chain noise" | "suspension leaks or bottoms" | "crash" | "drowned" | "overheated" | "ran low on oil")[];
                /** @enum {string} */
                lastDone: "not known" | "new" | "done";
                /** @default  */
                lastDoneHours?: string;
                /** @default  */
                lastDoneDay?: string;
            }[];
        };
        MachineChange: {
            /** Format: uuid */
            machineId: string;
            name?: string;
            maker?: string;
            riderId?: string | null;
        };
        ReadingLog: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            /** @default  */
            typed?: string;
            /** @default  */
            before?: string;
            day: string;
            /** @default  */
            remark?: string;
            /** @default  */
            instrument?: string;
            /** @default null */
            riderId?: string | null;
            /** @default null */
            outing?: ("ride" | "practice" | "moto" | "race" | "day out") | null;
            eventId?: string | null;
            /** @default  */
            distance?: string;
            conditions?: ("dust" | "sand" | "mud" | "water" | "tarmac" | "heat" | "cold")[];
            /** @default  */
            crossings?: string;
            /**
             * @default usual
             * @enum {string}
             */
            clutch?: "light" | "usual" | "heavy";
            symptoms?: ("hard to start" | "backfires" | "runs badly" | "clutch slips" | "clutch drags" | "gears jump out" | "overheats" | "smokes" | "oil leak" | "squeak from the steering" | "play in the steering" | "brake weak or spongy" | "chain noise" | "suspension leaks or bottoms")[];
            /** @default false */
            sure?: boolean;
            settlement?: {
                /** @enum {string} */
                as: "reading is right" | "earlier one was wrong" | "meter was replaced";
                reason: string;
                /** @default  */
                oldFinal?: string;
                /** @default  */
                newStart?: string;
            } | null;
        };
        ReadingPaste: {
            rows: unknown[];
        };
        ReadingStrike: {
            /** Format: uuid */
            readingId: string;
            reason: string;
        };
        OdometerLog: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            /** @default  */
            typed?: string;
            day: string;
            /** @default  */
            remark?: string;
        };
        MeterChange: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            /** @enum {string} */
            change: "replaced" | "reset" | "removed" | "dead" | "works again" | "odometer added";
            /**
             * @default hours
             * @enum {string}
             */
            counts?: "hours" | "distance";
            day: string;
            /** @default  */
            lastValue?: string;
            /** @default  */
            firstValue?: string;
            /**
             * @default
             * @enum {string}
             */
            meanwhile?: "" | "stood still" | "went on counting";
            /** @default  */
            reason?: string;
        };
        OutingEstimate: {
            /** Format: uuid */
            outingId: string;
        };
        EventPlan: {
            /** Format: uuid */
            id: string;
            name: string;
            /** @enum {string} */
            kind: "race" | "practice" | "day out";
            firstDay: string;
            lastDay: string;
            hoursEach: string;
            wholeFleet: boolean;
            /** @default [] */
            machineIds?: string[];
        };
        EventCallOff: {
            /** Format: uuid */
            eventId: string;
            off: boolean;
        };
        TokenKeep: {
            /** Format: uuid */
            id: string;
            name: string;
            hash: string;
        };
        TokenWithdraw: {
            /** Format: uuid */
            tokenId: string;
        };
        CalendarKeep: {
            /** Format: uuid */
            id: string;
            /** @default null */
            machineId?: string | null;
            /** @default null */
            personId?: string | null;
        };
        CalendarWithdraw: {
            /** Format: uuid */
            feedId: string;
        };
        ComponentAdd: {
            /** Format: uuid */
            id: string;
            /** @enum {string} */
            kind: "engine" | "top end" | "clutch" | "gearbox" | "chain" | "sprockets" | "fork" | "shock" | "wheel";
            name: string;
            /** @default  */
            serial?: string;
            /** @default  */
            brought?: string;
            /** @default  */
            broughtDistance?: string;
            /** @default false */
            fromNew?: boolean;
            /** @default  */
            note?: string;
            /** @default null */
            machineId?: string | null;
            /** @default null */
            hostId?: string | null;
            /**
             * @default
             * @enum {string}
             */
            place?: "" | "front" | "rear" | "left" | "right";
            /** @default  */
            fittedOn?: string;
        };
        ComponentMove: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            componentId: string;
            /** @default null */
            machineId?: string | null;
            /** @default null */
            hostId?: string | null;
            /**
             * @default
             * @enum {string}
             */
            place?: "" | "front" | "rear" | "left" | "right";
            day: string;
            /** @default  */
            reading?: string;
            /** @default  */
            reason?: string;
        };
        ComponentSwap: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            componentId: string;
            /** Format: uuid */
            withId: string;
            day: string;
            /** @default  */
            reading?: string;
            /** @default  */
            withReading?: string;
            /** @default  */
            reason?: string;
        };
        ComponentRebuild: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            componentId: string;
            day: string;
            /** @default  */
            remark?: string;
            /** @default [] */
            taskIds?: string[];
        };
        ComponentScrap: {
            /** Format: uuid */
            componentId: string;
            reason: string;
        };
        TaskAdd: {
            /** Format: uuid */
            id: string;
            /** @default null */
            machineId?: string | null;
            /** @default null */
            componentId?: string | null;
            name: string;
            /** @default null */
            job?: string | null;
            /** @default  */
            note?: string;
            triggers: {
                /** Format: uuid */
                id: string;
                /** @enum {string} */
                measure: "hours" | "distance" | "days" | "outings" | "races" | "times";
                /** @default null */
                ofTaskId?: string | null;
                every: string;
                /** @default  */
                limit?: string;
                /** @default  */
                first?: string;
                /** @default  */
                firstLimit?: string;
            }[];
            /** @default null */
            ageing?: ("by the meter" | "by the riding") | null;
            /** @default null */
            anchoring?: ("from done" | "from due") | null;
            /** @default {} */
            sensitivity?: {
                [key: string]: string;
            };
            /** @default false */
            perPart?: boolean;
            /** @default true */
            restartsOnRebuild?: boolean;
            answers?: ("hard to start" | "backfires" | "runs badly" | "clutch slips" | "clutch drags" | "gears jump out" | "overheats" | "smokes" | "oil leak" | "squeak from the steering" | "play in the steering" | "brake weak or spongy" | "chain noise" | "suspension leaks or bottoms" | "crash" | "drowned" | "overheated" | "ran low on oil")[];
            /** @enum {string} */
            lastDone: "not known" | "new" | "done";
            /** @default  */
            lastDoneHours?: string;
            /** @default  */
            lastDoneDay?: string;
        };
        TaskChange: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            taskId: string;
            name: string;
            /** @default null */
            job?: string | null;
            /** @default  */
            note?: string;
            triggers: {
                /** Format: uuid */
                id: string;
                /** @enum {string} */
                measure: "hours" | "distance" | "days" | "outings" | "races" | "times";
                /** @default null */
                ofTaskId?: string | null;
                every: string;
                /** @default  */
                limit?: string;
                /** @default  */
                first?: string;
                /** @default  */
                firstLimit?: string;
            }[];
            /** @default null */
            ageing?: ("by the meter" | "by the riding") | null;
            /** @default null */
            anchoring?: ("from done" | "from due") | null;
            /** @default {} */
            sensitivity?: {
                [key: string]: string;
            };
            /** @default false */
            perPart?: boolean;
            /** @default true */
            restartsOnRebuild?: boolean;
            answers?: ("hard to start" | "backfires" | "runs badly" | "clutch slips" | "clutch drags" | "gears jump out" | "overheats" | "smokes" | "oil leak" | "squeak from the steering" | "play in the steering" | "brake weak or spongy" | "chain noise" | "suspension leaks or bottoms" | "crash" | "drowned" | "overheated" | "ran low on oil")[];
            /** @default  */
            word?: string;
        };
        TaskRetire: {
            /** Format: uuid */
            taskId: string;
            word: string;
        };
        TaskDone: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            taskId: string;
            day: string;
            /** @default  */
            hours?: string;
            /** @default  */
            reason?: string;
            /** @default  */
            remark?: string;
            /** @default true */
            replaced?: boolean;
            /** @default  */
            worse?: string;
        };
        ProposalMake: {
            /** Format: uuid */
            taskId: string;
            reason: string;
        };
        ProposalDecide: {
            /** Format: uuid */
            proposalId: string;
            /** @enum {string} */
            decision: "accepted" | "dismissed";
            /** @default  */
            word?: string;
        };
        ProposalBackToBook: {
            /** Format: uuid */
            triggerId: string;
            word: string;
        };
        CallReport: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            /** @enum {string} */
            what: "hard to start" | "backfires" | "runs badly" | "clutch slips" | "clutch drags" | "gears jump out" | "overheats" | "smokes" | "oil leak" | "squeak from the steering" | "play in the steering" | "brake weak or spongy" | "chain noise" | "suspension leaks or bottoms" | "crash" | "drowned" | "overheated" | "ran low on oil";
            /** @default  */
            words?: string;
            day: string;
        };
        CallDrop: {
            /** Format: uuid */
            callId: string;
            word: string;
        };
        FindingAdd: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            /** @default null */
            componentId?: string | null;
            what: string;
            /** @default  */
            place?: string;
            /** @default  */
            note?: string;
            /** @enum {string} */
            severity: "park the machine" | "fix now" | "tell the owner" | "watch";
            foundOn?: string;
        };
        FindingClose: {
            /** Format: uuid */
            findingId: string;
            /**
             * @default done
             * @enum {string}
             */
            how?: "done" | "owner told" | "as it was";
            word: string;
            closedOn?: string;
        };
        FindingRegrade: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            findingId: string;
            /** @enum {string} */
            severity: "park the machine" | "fix now" | "tell the owner" | "watch";
            word: string;
        };
        FindingWait: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            findingId: string;
            /** @enum {string} */
            waitsFor: "the next outing" | "a part to arrive" | "a tool to arrive" | "a second person" | "it stands on its wheels";
            /** @default  */
            part?: string;
        };
        FindingPhoto: {
            /** Format: uuid */
            photoId: string;
            /** Format: uuid */
            findingId: string;
        };
        ReminderAdd: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            words: string;
            /** @enum {string} */
            waitsFor: "the next outing" | "a part to arrive" | "a tool to arrive" | "a second person" | "it stands on its wheels";
            /** @default  */
            part?: string;
        };
        ReminderNote: {
            /** Format: uuid */
            reminderId: string;
            /** @enum {string} */
            now: "come" | "done";
            /** @default  */
            word?: string;
        };
        FastenerAdd: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            circuit: ("engine" | "gearbox" | "primary" | "front differential" | "rear differential") | null;
            /** @enum {string} */
            role: "drain plug" | "screen cap" | "filter cover" | "filler cap" | "check screw" | "guard" | "bodywork" | "cover" | "axle nut" | "pivot" | "clamp" | "sprocket bolts" | "brake" | "grease point" | "other";
            name: string;
            /** @default  */
            place?: string;
            quantity: number | string;
            magnet: boolean;
            /** @enum {string} */
            seal: "none" | "crush washer" | "O-ring" | "gasket";
            /** @default  */
            head?: string;
            /** @default  */
            thread?: string;
            /** @default  */
            pattern?: string;
            /** @default  */
            lengths?: string;
            /** @default  */
            comesWith?: string;
            /** @default  */
            note?: string;
            /** @default  */
            lean?: string;
            /** @default false */
            oiled?: boolean;
            /** @default false */
            adapter?: boolean;
        };
        FastenerChange: {
            /** Format: uuid */
            fastenerId: string;
            name?: string;
            /** @enum {string} */
            role?: "drain plug" | "screen cap" | "filter cover" | "filler cap" | "check screw" | "guard" | "bodywork" | "cover" | "axle nut" | "pivot" | "clamp" | "sprocket bolts" | "brake" | "grease point" | "other";
            circuit?: ("engine" | "gearbox" | "primary" | "front differential" | "rear differential") | null;
            quantity?: number | string;
            place?: string;
            head?: string;
            thread?: string;
            pattern?: string;
            lengths?: string;
            comesWith?: string;
            note?: string;
            lean?: string;
            magnet?: boolean;
            /** @enum {string} */
            seal?: "none" | "crush washer" | "O-ring" | "gasket";
            oiled?: boolean;
            adapter?: boolean;
            at?: {
                x: number;
                y: number;
            } | null;
            covers?: string[];
        };
        FastenerRemove: {
            /** Format: uuid */
            fastenerId: string;
            removed: boolean;
        };
        FigureAdd: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            /** @enum {string} */
            key: "engine oil with filter" | "engine oil without filter" | "engine oil dry" | "engine oil grade" | "engine oil by temperature" | "clutch runs in" | "engine oil between marks" | "oil level method" | "oil level run time" | "oil level settle time" | "oil level temperature" | "oil level attitude" | "oil level aim" | "oil level aim before the first run" | "gearbox oil" | "gearbox oil dry" | "gearbox oil grade" | "gearbox level method" | "gearbox level run time" | "gearbox level settle time" | "gearbox level temperature" | "gearbox level attitude" | "gearbox level aim" | "gearbox level aim before the first run" | "primary oil" | "front differential oil" | "rear differential oil" | "differential oil grade" | "fork oil" | "fork oil level" | "fork oil grade" | "coolant" | "coolant kind" | "brake fluid" | "brake pad least" | "inlet valve clearance" | "exhaust valve clearance" | "valve layout" | "top dead centre" | "shim step" | "chain slack" | "chain slack place" | "chain pitch" | "chain links" | "front sprocket" | "rear sprocket" | "swingarm length" | "adjuster pitch" | "pivot ahead of sprocket" | "pivot above sprocket" | "swingarm hanging" | "swingarm compressed" | "axle slot" | "adjusters across" | "chain wear pitches" | "chain wear length" | "primary ratio" | "gear ratios" | "engine speed" | "rear wheel round" | "clutch free play" | "throttle free play" | "brake pedal free play" | "brake pedal height" | "parking brake free play" | "spark plug" | "plug gap" | "front tyre pressure" | "rear tyre pressure" | "storage charge" | "torque";
            /** @default null */
            fastenerId?: string | null;
            typed: string;
            source: string;
            /** @default  */
            edition?: string;
            /** @default  */
            page?: string;
            /** @enum {string} */
            confidence: "printed" | "told" | "guessed";
            /** @default  */
            variant?: string;
            /** @default false */
            sure?: boolean;
        };
        FigureConfirm: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            figureId: string;
            source: string;
            /** @default  */
            edition?: string;
            /** @default  */
            page?: string;
            /** @enum {string} */
            confidence: "printed" | "told" | "guessed";
        };
        SheetCopy: {
            /** Format: uuid */
            fromMachineId: string;
            /** Format: uuid */
            toMachineId: string;
        };
        ModificationAdd: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            what: string;
            /** @default  */
            words?: string;
            day: string;
        };
        ModificationNote: {
            /** Format: uuid */
            modificationId: string;
            /** @default null */
            figureId?: string | null;
            /** @default null */
            undoneOn?: string | null;
        };
        WrenchAdd: {
            /** Format: uuid */
            id: string;
            name: string;
            /** @enum {string} */
            unit: "N·m" | "lbf·ft" | "lbf·in";
            low: string;
            high: string;
            /** @default  */
            length?: string;
            /** @default  */
            calibratedUntil?: string | "";
        };
        AdapterAdd: {
            /** Format: uuid */
            id: string;
            name: string;
            length: string;
        };
        OilAdd: {
            /** Format: uuid */
            id: string;
            name: string;
            /** @enum {string} */
            kind: "engine oil, four-stroke" | "gearbox oil" | "differential oil" | "two-stroke oil, burnt with the fuel";
            grade: string;
            /** @default [] */
            ratings?: ("JASO MA" | "JASO MA1" | "JASO MA2" | "JASO MB" | "API GL-4" | "API GL-5")[];
            /** @default [] */
            additives?: ("friction modifiers" | "graphite" | "molybdenum")[];
            bottle: string;
            /** @default  */
            stock?: string;
        };
        OilStock: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            oilId: string;
            now: string;
            /** @default  */
            why?: string;
        };
        BladesAdd: {
            /** Format: uuid */
            id: string;
            name: string;
            blades: string;
        };
        ShimsCount: {
            /** Format: uuid */
            id: string;
            /** @default  */
            across?: string;
            /** @default  */
            stamp?: string;
            /** @default  */
            measured?: string;
            now: string;
            /** @default  */
            why?: string;
        };
        ShimsPaste: {
            /** Format: uuid */
            id: string;
            rows: {
                /** @default  */
                across?: string;
                /** @default  */
                stamp?: string;
                /** @default  */
                measured?: string;
                now: string;
            }[];
        };
        ShimsLevel: {
            across: number;
            stamp: number;
            least: number;
        };
        FilterKeep: {
            /** Format: uuid */
            id: string;
            name: string;
            /** @default [] */
            machineIds?: string[];
            clean: string;
            dirty: string;
        };
        FilterWashed: {
            /** Format: uuid */
            filterId: string;
        };
        StoreRetire: {
            /** Format: uuid */
            id: string;
            /** @enum {string} */
            what: "wrench" | "adapter" | "oil" | "blades" | "filters";
        };
        HeadSet: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            layout: {
                cylinders: number;
                /** @enum {string} */
                row: "side by side" | "one behind the other" | "vee";
                /** @enum {string} */
                exhaustTo: "front" | "rear" | "left" | "right";
                inlets: number;
                exhausts: number;
                /** @enum {string} */
                inletGauge: "cam and bucket" | "rocker and shim" | "rocker and screw";
                /** @enum {string} */
                exhaustGauge: "cam and bucket" | "rocker and shim" | "rocker and screw";
            };
        };
        HeadSizes: {
            /** Format: uuid */
            headId: string;
            sizes: string;
            /** @default  */
            across?: string;
        };
        HeadGuide: {
            /** Format: uuid */
            headId: string;
            /** @default  */
            marks?: string;
            /** @default  */
            turn?: string;
            /** @default  */
            free?: string;
            /** @default  */
            firing?: string;
            /** @default  */
            between?: string;
            /** @default  */
            note?: string;
        };
        ValveMeasure: {
            /** Format: uuid */
            checkId: string;
            /** Format: uuid */
            headId: string;
            /** @default null */
            visitId?: string | null;
            /** @enum {string} */
            cold: "by the book" | "said";
            readings: {
                /** Format: uuid */
                id: string;
                valve: string;
                /** @enum {string} */
                stage: "found" | "left";
                measured: {
                    /** @constant */
                    by: "blades";
                    goes: number | null;
                    stops: number | null;
                } | {
                    /** @constant */
                    by: "reading";
                    at: number;
                } | {
                    /** @constant */
                    by: "dial";
                    from: number;
                    to: number;
                };
            }[];
        };
        ValveShim: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            headId: string;
            /** @default null */
            checkId?: string | null;
            valve: string;
            stamp: number | null;
            measured: number | null;
        };
        ValvePlan: {
            /** Format: uuid */
            checkId: string;
            plan: {
                choice: string;
                fits: {
                    valve: string;
                    shim: number;
                    /** @enum {string} */
                    from: "itself" | "another valve" | "drawer" | "bought";
                    of: string | null;
                }[];
            } | null;
        };
        ValveFit: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            checkId: string;
            fits: {
                /** Format: uuid */
                id: string;
                valve: string;
                stamp: number | null;
                measured: number | null;
                was: number | null;
                /** @enum {string} */
                from: "another valve" | "drawer" | "bought";
                /** @default null */
                of?: string | null;
            }[];
            /** @default [] */
            out?: {
                valve: string;
                measured: number;
            }[];
        };
        ValveClose: {
            /** Format: uuid */
            checkId: string;
            /** @default null */
            taskId?: string | null;
            /** @default null */
            leave?: {
                reason: string;
                /** @enum {string} */
                severity: "park the machine" | "fix now" | "tell the owner" | "watch";
            } | null;
        };
        ValveStrike: {
            /** Format: uuid */
            checkId: string;
            reason: string;
        };
        ChainDrive: {
            /** Format: uuid */
            machineId: string;
            at: number;
            /** @enum {string} */
            attitude: "on the stand, wheel hanging" | "on its wheels" | "rider on";
            angle: (number | string) | null;
            adjuster: {
                /** @enum {string} */
                kind: "screws" | "eccentric carrier" | "snail cams";
                /** @enum {string} */
                back: "out" | "in";
                perMark: (number | string) | null;
                lastMark: (number | string) | null;
                offset: (number | string) | null;
                zero: (number | string) | null;
            };
            /** @enum {string} */
            chainSide: "left" | "right";
            front: (number | string) | null;
            rear: (number | string) | null;
            links: (number | string) | null;
            halfLink: boolean;
        };
        ChainPlace: {
            /** Format: uuid */
            machineId: string;
            at: number;
        };
        ChainMeasure: {
            /** Format: uuid */
            checkId: string;
            /** Format: uuid */
            machineId: string;
            readings: {
                /** Format: uuid */
                id: string;
                /** @enum {string} */
                stage: "found" | "adjusted" | "tight";
                slack: number;
                /** @default null */
                slackest?: number | null;
                left?: (number | string) | null;
                right?: (number | string) | null;
                /** @default  */
                typed?: string;
            }[];
        };
        ChainClose: {
            /** Format: uuid */
            checkId: string;
            taskId: string | null;
            /** @default [] */
            seen?: ("axle nut and lock-nuts tight" | "brake pedal right" | "wheel spins free")[];
            /** @default null */
            leave?: {
                reason: string;
                /** @enum {string} */
                severity: "park the machine" | "fix now" | "tell the owner" | "watch";
            } | null;
        };
        ChainStrike: {
            /** Format: uuid */
            checkId: string;
            reason: string;
        };
        ChainLength: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            measured: number | string;
            pitches: number | string;
        };
        ChainLook: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            front: ("as new" | "rounded" | "thin" | "hooked" | "broken") | null;
            rear: ("as new" | "rounded" | "thin" | "hooked" | "broken") | null;
            joint: ("clip, closed end leading" | "clip, wrong way round" | "clip missing or bent" | "riveted") | null;
            stiff: (number | string) | null;
            guides: ("good" | "grooved" | "worn through") | null;
            /** @default  */
            note?: string;
        };
        ChainDress: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            cleaned: boolean;
            /** @enum {string} */
            dressing: "lube" | "wax" | "dry";
        };
        ChainStrikeEntry: {
            /** Format: uuid */
            entryId: string;
            reason: string;
        };
        ChainReplace: {
            /** Format: uuid */
            machineId: string;
            chain: {
                /** Format: uuid */
                id: string;
                name: string;
                links: number | string;
                halfLink: boolean;
            } | null;
            front: {
                /** Format: uuid */
                id: string;
                name: string;
                teeth: number | string;
            } | null;
            rear: {
                /** Format: uuid */
                id: string;
                name: string;
                teeth: number | string;
            } | null;
            was: {
                chain: string | null;
                front: string | null;
                rear: string | null;
            };
            /** @enum {string} */
            old: "scrapped" | "on the shelf";
            reason: string;
        };
        RoundAnswer: {
            /** Format: uuid */
            roundId: string;
            /** Format: uuid */
            machineId: string;
            /** @enum {string} */
            list: "ready" | "washed" | "torque";
            answers: {
                /** Format: uuid */
                id: string;
                check: string;
                /** @enum {string} */
                said: "well" | "wrong" | "none" | "passed over";
                /** @default  */
                found?: string;
                /** @default  */
                set?: string;
                /** @default  */
                choice?: string;
                /** @default  */
                count?: string;
                /** @default false */
                dry?: boolean;
                /** @default null */
                severity?: ("park the machine" | "fix now" | "tell the owner" | "watch") | null;
                /** @default  */
                note?: string;
                /** @default  */
                instrument?: string;
            }[];
        };
        RoundStrike: {
            /** Format: uuid */
            roundId: string;
            reason: string;
        };
        RoundChecks: {
            from: number;
            content: ({
                key: string;
                title: string;
                /** @enum {string} */
                station: "At the front" | "Left side" | "At the rear" | "Right side" | "In the saddle" | "Under seat and tank";
                line: string;
                caution?: string;
                minutes: number;
                kinds: ("four-stroke enduro" | "two-stroke enduro" | "four-stroke motocross" | "two-stroke motocross" | "dual-sport" | "youth bike" | "sport quad" | "utility quad" | "electric")[];
                lists: ("ready" | "washed")[];
                except?: {
                    /** @enum {string} */
                    kind: "four-stroke enduro" | "two-stroke enduro" | "four-stroke motocross" | "two-stroke motocross" | "dual-sport" | "youth bike" | "sport quad" | "utility quad" | "electric";
                    /** @enum {string} */
                    list: "ready" | "washed";
                }[];
                wrong: string;
                /** @enum {string} */
                severity: "park the machine" | "fix now" | "tell the owner" | "watch";
                task?: string;
                /** @enum {string} */
                shows?: "engine oil with filter" | "engine oil without filter" | "engine oil dry" | "engine oil grade" | "engine oil by temperature" | "clutch runs in" | "engine oil between marks" | "oil level method" | "oil level run time" | "oil level settle time" | "oil level temperature" | "oil level attitude" | "oil level aim" | "oil level aim before the first run" | "gearbox oil" | "gearbox oil dry" | "gearbox oil grade" | "gearbox level method" | "gearbox level run time" | "gearbox level settle time" | "gearbox level temperature" | "gearbox level attitude" | "gearbox level aim" | "gearbox level aim before the first run" | "primary oil" | "front differential oil" | "rear differential oil" | "differential oil grade" | "fork oil" | "fork oil level" | "fork oil grade" | "coolant" | "coolant kind" | "brake fluid" | "brake pad least" | "inlet valve clearance" | "exhaust valve clearance" | "valve layout" | "top dead centre" | "shim step" | "chain slack" | "chain slack place" | "chain pitch" | "chain links" | "front sprocket" | "rear sprocket" | "swingarm length" | "adjuster pitch" | "pivot ahead of sprocket" | "pivot above sprocket" | "swingarm hanging" | "swingarm compressed" | "axle slot" | "adjusters across" | "chain wear pitches" | "chain wear length" | "primary ratio" | "gear ratios" | "engine speed" | "rear wheel round" | "clutch free play" | "throttle free play" | "brake pedal free play" | "brake pedal height" | "parking brake free play" | "spark plug" | "plug gap" | "front tyre pressure" | "rear tyre pressure" | "storage charge" | "torque";
                off: boolean;
                /** @constant */
                how: "look";
                reads?: {
                    figure: ("engine oil with filter" | "engine oil without filter" | "engine oil dry" | "engine oil grade" | "engine oil by temperature" | "clutch runs in" | "engine oil between marks" | "oil level method" | "oil level run time" | "oil level settle time" | "oil level temperature" | "oil level attitude" | "oil level aim" | "oil level aim before the first run" | "gearbox oil" | "gearbox oil dry" | "gearbox oil grade" | "gearbox level method" | "gearbox level run time" | "gearbox level settle time" | "gearbox level temperature" | "gearbox level attitude" | "gearbox level aim" | "gearbox level aim before the first run" | "primary oil" | "front differential oil" | "rear differential oil" | "differential oil grade" | "fork oil" | "fork oil level" | "fork oil grade" | "coolant" | "coolant kind" | "brake fluid" | "brake pad least" | "inlet valve clearance" | "exhaust valve clearance" | "valve layout" | "top dead centre" | "shim step" | "chain slack" | "chain slack place" | "chain pitch" | "chain links" | "front sprocket" | "rear sprocket" | "swingarm length" | "adjuster pitch" | "pivot ahead of sprocket" | "pivot above sprocket" | "swingarm hanging" | "swingarm compressed" | "axle slot" | "adjusters across" | "chain wear pitches" | "chain wear length" | "primary ratio" | "gear ratios" | "engine speed" | "rear wheel round" | "clutch free play" | "throttle free play" | "brake pedal free play" | "brake pedal height" | "parking brake free play" | "spark plug" | "plug gap" | "front tyre pressure" | "rear tyre pressure" | "storage charge" | "torque") | null;
                    from: number | null;
                    to: number | null;
                    /** @enum {string} */
                    unit: "mm" | "cm" | "µm" | "in" | "thou" | "N·m" | "kgf·m" | "kgf·cm" | "lbf·ft" | "lbf·in" | "ml" | "L" | "US qt" | "imp qt" | "US pt" | "imp pt" | "US fl oz" | "imp fl oz" | "kPa" | "bar" | "psi" | "kgf/cm²" | "m" | "km" | "mi" | "h" | "min" | "s" | "°" | "teeth" | "links" | "clicks" | "turns" | "pieces";
                    step: number;
                    least: boolean;
                };
                wrongs?: string[];
            } | {
                key: string;
                title: string;
                /** @enum {string} */
                station: "At the front" | "Left side" | "At the rear" | "Right side" | "In the saddle" | "Under seat and tank";
                line: string;
                caution?: string;
                minutes: number;
                kinds: ("four-stroke enduro" | "two-stroke enduro" | "four-stroke motocross" | "two-stroke motocross" | "dual-sport" | "youth bike" | "sport quad" | "utility quad" | "electric")[];
                lists: ("ready" | "washed")[];
                except?: {
                    /** @enum {string} */
                    kind: "four-stroke enduro" | "two-stroke enduro" | "four-stroke motocross" | "two-stroke motocross" | "dual-sport" | "youth bike" | "sport quad" | "utility quad" | "electric";
                    /** @enum {string} */
                    list: "ready" | "washed";
                }[];
                wrong: string;
                /** @enum {string} */
                severity: "park the machine" | "fix now" | "tell the owner" | "watch";
                task?: string;
                /** @enum {string} */
                shows?: "engine oil with filter" | "engine oil without filter" | "engine oil dry" | "engine oil grade" | "engine oil by temperature" | "clutch runs in" | "engine oil between marks" | "oil level method" | "oil level run time" | "oil level settle time" | "oil level temperature" | "oil level attitude" | "oil level aim" | "oil level aim before the first run" | "gearbox oil" | "gearbox oil dry" | "gearbox oil grade" | "gearbox level method" | "gearbox level run time" | "gearbox level settle time" | "gearbox level temperature" | "gearbox level attitude" | "gearbox level aim" | "gearbox level aim before the first run" | "primary oil" | "front differential oil" | "rear differential oil" | "differential oil grade" | "fork oil" | "fork oil level" | "fork oil grade" | "coolant" | "coolant kind" | "brake fluid" | "brake pad least" | "inlet valve clearance" | "exhaust valve clearance" | "valve layout" | "top dead centre" | "shim step" | "chain slack" | "chain slack place" | "chain pitch" | "chain links" | "front sprocket" | "rear sprocket" | "swingarm length" | "adjuster pitch" | "pivot ahead of sprocket" | "pivot above sprocket" | "swingarm hanging" | "swingarm compressed" | "axle slot" | "adjusters across" | "chain wear pitches" | "chain wear length" | "primary ratio" | "gear ratios" | "engine speed" | "rear wheel round" | "clutch free play" | "throttle free play" | "brake pedal free play" | "brake pedal height" | "parking brake free play" | "spark plug" | "plug gap" | "front tyre pressure" | "rear tyre pressure" | "storage charge" | "torque";
                off: boolean;
                /** @constant */
                how: "choose";
                choices: {
                    word: string;
                    wrong: ("park the machine" | "fix now" | "tell the owner" | "watch") | null;
                    sooner?: boolean;
                    spare?: boolean;
                }[];
                reads?: {
                    figure: ("engine oil with filter" | "engine oil without filter" | "engine oil dry" | "engine oil grade" | "engine oil by temperature" | "clutch runs in" | "engine oil between marks" | "oil level method" | "oil level run time" | "oil level settle time" | "oil level temperature" | "oil level attitude" | "oil level aim" | "oil level aim before the first run" | "gearbox oil" | "gearbox oil dry" | "gearbox oil grade" | "gearbox level method" | "gearbox level run time" | "gearbox level settle time" | "gearbox level temperature" | "gearbox level attitude" | "gearbox level aim" | "gearbox level aim before the first run" | "primary oil" | "front differential oil" | "rear differential oil" | "differential oil grade" | "fork oil" | "fork oil level" | "fork oil grade" | "coolant" | "coolant kind" | "brake fluid" | "brake pad least" | "inlet valve clearance" | "exhaust valve clearance" | "valve layout" | "top dead centre" | "shim step" | "chain slack" | "chain slack place" | "chain pitch" | "chain links" | "front sprocket" | "rear sprocket" | "swingarm length" | "adjuster pitch" | "pivot ahead of sprocket" | "pivot above sprocket" | "swingarm hanging" | "swingarm compressed" | "axle slot" | "adjusters across" | "chain wear pitches" | "chain wear length" | "primary ratio" | "gear ratios" | "engine speed" | "rear wheel round" | "clutch free play" | "throttle free play" | "brake pedal free play" | "brake pedal height" | "parking brake free play" | "spark plug" | "plug gap" | "front tyre pressure" | "rear tyre pressure" | "storage charge" | "torque") | null;
                    from: number | null;
                    to: number | null;
                    /** @enum {string} */
                    unit: "mm" | "cm" | "µm" | "in" | "thou" | "N·m" | "kgf·m" | "kgf·cm" | "lbf·ft" | "lbf·in" | "ml" | "L" | "US qt" | "imp qt" | "US pt" | "imp pt" | "US fl oz" | "imp fl oz" | "kPa" | "bar" | "psi" | "kgf/cm²" | "m" | "km" | "mi" | "h" | "min" | "s" | "°" | "teeth" | "links" | "clicks" | "turns" | "pieces";
                    step: number;
                    least: boolean;
                };
            } | {
                key: string;
                title: string;
                /** @enum {string} */
                station: "At the front" | "Left side" | "At the rear" | "Right side" | "In the saddle" | "Under seat and tank";
                line: string;
                caution?: string;
                minutes: number;
                kinds: ("four-stroke enduro" | "two-stroke enduro" | "four-stroke motocross" | "two-stroke motocross" | "dual-sport" | "youth bike" | "sport quad" | "utility quad" | "electric")[];
                lists: ("ready" | "washed")[];
                except?: {
                    /** @enum {string} */
                    kind: "four-stroke enduro" | "two-stroke enduro" | "four-stroke motocross" | "two-stroke motocross" | "dual-sport" | "youth bike" | "sport quad" | "utility quad" | "electric";
                    /** @enum {string} */
                    list: "ready" | "washed";
                }[];
                wrong: string;
                /** @enum {string} */
                severity: "park the machine" | "fix now" | "tell the owner" | "watch";
                task?: string;
                /** @enum {string} */
                shows?: "engine oil with filter" | "engine oil without filter" | "engine oil dry" | "engine oil grade" | "engine oil by temperature" | "clutch runs in" | "engine oil between marks" | "oil level method" | "oil level run time" | "oil level settle time" | "oil level temperature" | "oil level attitude" | "oil level aim" | "oil level aim before the first run" | "gearbox oil" | "gearbox oil dry" | "gearbox oil grade" | "gearbox level method" | "gearbox level run time" | "gearbox level settle time" | "gearbox level temperature" | "gearbox level attitude" | "gearbox level aim" | "gearbox level aim before the first run" | "primary oil" | "front differential oil" | "rear differential oil" | "differential oil grade" | "fork oil" | "fork oil level" | "fork oil grade" | "coolant" | "coolant kind" | "brake fluid" | "brake pad least" | "inlet valve clearance" | "exhaust valve clearance" | "valve layout" | "top dead centre" | "shim step" | "chain slack" | "chain slack place" | "chain pitch" | "chain links" | "front sprocket" | "rear sprocket" | "swingarm length" | "adjuster pitch" | "pivot ahead of sprocket" | "pivot above sprocket" | "swingarm hanging" | "swingarm compressed" | "axle slot" | "adjusters across" | "chain wear pitches" | "chain wear length" | "primary ratio" | "gear ratios" | "engine speed" | "rear wheel round" | "clutch free play" | "throttle free play" | "brake pedal free play" | "brake pedal height" | "parking brake free play" | "spark plug" | "plug gap" | "front tyre pressure" | "rear tyre pressure" | "storage charge" | "torque";
                off: boolean;
                figure: ("engine oil with filter" | "engine oil without filter" | "engine oil dry" | "engine oil grade" | "engine oil by temperature" | "clutch runs in" | "engine oil between marks" | "oil level method" | "oil level run time" | "oil level settle time" | "oil level temperature" | "oil level attitude" | "oil level aim" | "oil level aim before the first run" | "gearbox oil" | "gearbox oil dry" | "gearbox oil grade" | "gearbox level method" | "gearbox level run time" | "gearbox level settle time" | "gearbox level temperature" | "gearbox level attitude" | "gearbox level aim" | "gearbox level aim before the first run" | "primary oil" | "front differential oil" | "rear differential oil" | "differential oil grade" | "fork oil" | "fork oil level" | "fork oil grade" | "coolant" | "coolant kind" | "brake fluid" | "brake pad least" | "inlet valve clearance" | "exhaust valve clearance" | "valve layout" | "top dead centre" | "shim step" | "chain slack" | "chain slack place" | "chain pitch" | "chain links" | "front sprocket" | "rear sprocket" | "swingarm length" | "adjuster pitch" | "pivot ahead of sprocket" | "pivot above sprocket" | "swingarm hanging" | "swingarm compressed" | "axle slot" | "adjusters across" | "chain wear pitches" | "chain wear length" | "primary ratio" | "gear ratios" | "engine speed" | "rear wheel round" | "clutch free play" | "throttle free play" | "brake pedal free play" | "brake pedal height" | "parking brake free play" | "spark plug" | "plug gap" | "front tyre pressure" | "rear tyre pressure" | "storage charge" | "torque") | null;
                from: number | null;
                to: number | null;
                /** @enum {string} */
                unit: "mm" | "cm" | "µm" | "in" | "thou" | "N·m" | "kgf·m" | "kgf·cm" | "lbf·ft" | "lbf·in" | "ml" | "L" | "US qt" | "imp qt" | "US pt" | "imp pt" | "US fl oz" | "imp fl oz" | "kPa" | "bar" | "psi" | "kgf/cm²" | "m" | "km" | "mi" | "h" | "min" | "s" | "°" | "teeth" | "links" | "clicks" | "turns" | "pieces";
                step: number;
                least: boolean;
                /** @constant */
                how: "measure";
                sets: boolean;
            } | {
                key: string;
                title: string;
                /** @enum {string} */
                station: "At the front" | "Left side" | "At the rear" | "Right side" | "In the saddle" | "Under seat and tank";
                line: string;
                caution?: string;
                minutes: number;
                kinds: ("four-stroke enduro" | "two-stroke enduro" | "four-stroke motocross" | "two-stroke motocross" | "dual-sport" | "youth bike" | "sport quad" | "utility quad" | "electric")[];
                lists: ("ready" | "washed")[];
                except?: {
                    /** @enum {string} */
                    kind: "four-stroke enduro" | "two-stroke enduro" | "four-stroke motocross" | "two-stroke motocross" | "dual-sport" | "youth bike" | "sport quad" | "utility quad" | "electric";
                    /** @enum {string} */
                    list: "ready" | "washed";
                }[];
                wrong: string;
                /** @enum {string} */
                severity: "park the machine" | "fix now" | "tell the owner" | "watch";
                task?: string;
                /** @enum {string} */
                shows?: "engine oil with filter" | "engine oil without filter" | "engine oil dry" | "engine oil grade" | "engine oil by temperature" | "clutch runs in" | "engine oil between marks" | "oil level method" | "oil level run time" | "oil level settle time" | "oil level temperature" | "oil level attitude" | "oil level aim" | "oil level aim before the first run" | "gearbox oil" | "gearbox oil dry" | "gearbox oil grade" | "gearbox level method" | "gearbox level run time" | "gearbox level settle time" | "gearbox level temperature" | "gearbox level attitude" | "gearbox level aim" | "gearbox level aim before the first run" | "primary oil" | "front differential oil" | "rear differential oil" | "differential oil grade" | "fork oil" | "fork oil level" | "fork oil grade" | "coolant" | "coolant kind" | "brake fluid" | "brake pad least" | "inlet valve clearance" | "exhaust valve clearance" | "valve layout" | "top dead centre" | "shim step" | "chain slack" | "chain slack place" | "chain pitch" | "chain links" | "front sprocket" | "rear sprocket" | "swingarm length" | "adjuster pitch" | "pivot ahead of sprocket" | "pivot above sprocket" | "swingarm hanging" | "swingarm compressed" | "axle slot" | "adjusters across" | "chain wear pitches" | "chain wear length" | "primary ratio" | "gear ratios" | "engine speed" | "rear wheel round" | "clutch free play" | "throttle free play" | "brake pedal free play" | "brake pedal height" | "parking brake free play" | "spark plug" | "plug gap" | "front tyre pressure" | "rear tyre pressure" | "storage charge" | "torque";
                off: boolean;
                /** @constant */
                how: "count";
                most: number;
            })[] | null;
            /** @default  */
            word?: string;
        };
        JobSave: {
            key: string;
            from: number;
            content: {
                key: string;
                title: string;
                /** @default  */
                about?: string;
                /** @default [] */
                circuits?: ("engine" | "gearbox" | "primary" | "front differential" | "rear differential")[];
                steps: {
                    key: string;
                    title: string;
                    /** @default [] */
                    lines?: string[];
                    /** @default  */
                    caution?: string;
                    /** @enum {string} */
                    kind: "tick" | "open" | "close" | "choice" | "measure" | "drained" | "debris" | "oil" | "pour" | "level" | "meter" | "clearances" | "slack" | "dressing" | "warm up" | "run";
                    /** @default null */
                    each?: ("drain plug" | "screen cap" | "filter cover" | "filler cap" | "check screw" | "guard" | "bodywork" | "cover" | "axle nut" | "pivot" | "clamp" | "sprocket bolts" | "brake" | "grease point" | "other") | null;
                    /** @default  */
                    orNamed?: string;
                    /** @default  */
                    part?: string;
                    /** @default [] */
                    things?: string[];
                    /** @default false */
                    partOnly?: boolean;
                    /** @default false */
                    shared?: boolean;
                    minutes: number | string;
                    wait?: number | string;
                    /** @default  */
                    waitFor?: string;
                    /**
                     * @default any
                     * @enum {string}
                     */
                    engine?: "any" | "cold" | "warm";
                    /** @default [] */
                    needs?: string[];
                    /** @default [] */
                    during?: string[];
                    /** @default [] */
                    when?: ("in break-in" | "not in break-in" | "two-stroke" | "house rule: fill the filter first" | "house rule: filter replaced" | "house rule: filter washed" | "house rule: lay it on its side" | "house rule: screens replaced" | "the level is read at a check screw" | "the level is read after a run" | "a level is read" | "the head has shims" | "the head has screws")[];
                    /** @default null */
                    gate?: {
                        step: string;
                        /** @enum {string} */
                        is: "yes" | "no" | "inside" | "outside" | "glitter or worse" | "flakes or worse";
                    } | null;
                    /** @default true */
                    mayLeaveOut?: boolean;
                    /** @default false */
                    spills?: boolean;
                    /** @default null */
                    stage?: ("found" | "fitted" | "left" | "adjusted" | "tight") | null;
                    /** @default false */
                    orientation?: boolean;
                    measure?: {
                        /** @enum {string} */
                        unit: "mm" | "cm" | "µm" | "in" | "thou" | "N·m" | "kgf·m" | "kgf·cm" | "lbf·ft" | "lbf·in" | "ml" | "L" | "US qt" | "imp qt" | "US pt" | "imp pt" | "US fl oz" | "imp fl oz" | "kPa" | "bar" | "psi" | "kgf/cm²" | "m" | "km" | "mi" | "h" | "min" | "s" | "°" | "teeth" | "links" | "clicks" | "turns" | "pieces";
                        from?: (number | string) | null;
                        to?: (number | string) | null;
                        /** @default null */
                        figure?: ("engine oil with filter" | "engine oil without filter" | "engine oil dry" | "engine oil grade" | "engine oil by temperature" | "clutch runs in" | "engine oil between marks" | "oil level method" | "oil level run time" | "oil level settle time" | "oil level temperature" | "oil level attitude" | "oil level aim" | "oil level aim before the first run" | "gearbox oil" | "gearbox oil dry" | "gearbox oil grade" | "gearbox level method" | "gearbox level run time" | "gearbox level settle time" | "gearbox level temperature" | "gearbox level attitude" | "gearbox level aim" | "gearbox level aim before the first run" | "primary oil" | "front differential oil" | "rear differential oil" | "differential oil grade" | "fork oil" | "fork oil level" | "fork oil grade" | "coolant" | "coolant kind" | "brake fluid" | "brake pad least" | "inlet valve clearance" | "exhaust valve clearance" | "valve layout" | "top dead centre" | "shim step" | "chain slack" | "chain slack place" | "chain pitch" | "chain links" | "front sprocket" | "rear sprocket" | "swingarm length" | "adjuster pitch" | "pivot ahead of sprocket" | "pivot above sprocket" | "swingarm hanging" | "swingarm compressed" | "axle slot" | "adjusters across" | "chain wear pitches" | "chain wear length" | "primary ratio" | "gear ratios" | "engine speed" | "rear wheel round" | "clutch free play" | "throttle free play" | "brake pedal free play" | "brake pedal height" | "parking brake free play" | "spark plug" | "plug gap" | "front tyre pressure" | "rear tyre pressure" | "storage charge" | "torque") | null;
                    } | null;
                }[];
            } | null;
            /** @default  */
            word?: string;
        };
        RecordCorrect: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            recordId: string;
            amount: {
                /** @enum {string} */
                circuit: "engine" | "gearbox" | "primary" | "front differential" | "rear differential";
                /** @enum {string} */
                what: "drained" | "poured";
                now: string;
            } | null;
            words: string;
        };
        VisitStart: {
            /** Format: uuid */
            id: string;
            /** Format: uuid */
            machineId: string;
            /** @default [] */
            jobs?: {
                /** Format: uuid */
                taskId: string;
                /** @default null */
                template?: string | null;
                /** @default false */
                keep?: boolean;
            }[];
            /** @default [] */
            findings?: string[];
            /**
             * @default cold
             * @enum {string}
             */
            engine?: "cold" | "warm";
            /** @default null */
            order?: string[] | null;
        };
        VisitEnter: {
            /** Format: uuid */
            visitId: string;
            entry: {
                /** Format: uuid */
                id: string;
                stepKey: string;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "done";
                content: {
                    remark?: string;
                    instrument?: string;
                    ml?: number;
                    asWritten?: string;
                    /** @enum {string} */
                    pour?: "poured in" | "into the filter" | "topped up" | "let out again";
                    residueMl?: number;
                    /** @enum {string} */
                    grade?: "none" | "grey paste or fuzz" | "fine glitter" | "flakes you can feel" | "slivers or needles" | "chunks";
                    materials?: ("steel (magnetic)" | "aluminium (silver, not magnetic)" | "bronze (gold)" | "fibre or rubber")[];
                    /** @enum {string} */
                    oilLook?: "as usual" | "dark for its hours" | "milky: water" | "thin, smells of fuel" | "smells burnt";
                    /** @enum {string} */
                    verdict?: "carry on" | "look again sooner" | "find the source" | "park it";
                    overruled?: string;
                    level?: {
                        /** @enum {string} */
                        method: "sight glass" | "dipstick resting on the thread" | "dipstick screwed in";
                        position: number;
                    } | {
                        /** @constant */
                        method: "check screw";
                        /** @enum {string} */
                        flow: "nothing" | "weeps" | "runs";
                    } | {
                        /** @constant */
                        method: "measured quantity only";
                    };
                    toppedUpMl?: number;
                    /** @enum {string} */
                    answer?: "yes" | "no";
                    measured?: {
                        value: number;
                        /** @enum {string} */
                        unit: "mm" | "cm" | "µm" | "in" | "thou" | "N·m" | "kgf·m" | "kgf·cm" | "lbf·ft" | "lbf·in" | "ml" | "L" | "US qt" | "imp qt" | "US pt" | "imp pt" | "US fl oz" | "imp fl oz" | "kPa" | "bar" | "psi" | "kgf/cm²" | "m" | "km" | "mi" | "h" | "min" | "s" | "°" | "teeth" | "links" | "clicks" | "turns" | "pieces";
                    };
                    oilId?: string | null;
                    oil?: string;
                    oilGrade?: string;
                    deviation?: string;
                    /** Format: uuid */
                    pointedAt?: string;
                    clearances?: {
                        /** Format: uuid */
                        checkId: string;
                        valves: number;
                        bad: number;
                    };
                    slack?: {
                        mm: number;
                        slackest?: number | null;
                        left?: number | null;
                        right?: number | null;
                        asWritten: string;
                    };
                    /** @constant */
                    afterwards?: true;
                };
            } | {
                /** Format: uuid */
                id: string;
                stepKey: string;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "undone";
                content: Record<string, never>;
            } | {
                /** Format: uuid */
                id: string;
                stepKey: string;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "left out";
                content: {
                    reason: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                stepKey: string;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "handed over";
                content: {
                    to: string | null;
                    /** @default  */
                    note?: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                stepKey: string;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "taken back";
                content: Record<string, never>;
            } | {
                /** Format: uuid */
                id: string;
                stepKey: string;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "timer";
                content: {
                    label: string;
                    seconds: number;
                };
            } | {
                /** Format: uuid */
                id: string;
                stepKey: string;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "timer off";
                content: {
                    /** Format: uuid */
                    of: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                itemKey: string;
                /** @default null */
                stepKey?: null;
                /** @constant */
                action: "off";
                content: Record<string, never>;
            } | {
                /** Format: uuid */
                id: string;
                itemKey: string;
                /** @default null */
                stepKey?: null;
                /** @constant */
                action: "by hand";
                content: Record<string, never>;
            } | {
                /** Format: uuid */
                id: string;
                itemKey: string;
                /** @default null */
                stepKey?: null;
                /** @constant */
                action: "snug";
                content: Record<string, never>;
            } | {
                /** Format: uuid */
                id: string;
                itemKey: string;
                /** @default null */
                stepKey?: null;
                /** @constant */
                action: "bolt";
                content: {
                    round: number;
                    bolt: number;
                };
            } | {
                /** Format: uuid */
                id: string;
                itemKey: string;
                /** @default null */
                stepKey?: null;
                /** @constant */
                action: "torqued";
                content: {
                    value: number;
                    /** @enum {string} */
                    unit: "N·m" | "kgf·m" | "kgf·cm" | "lbf·ft" | "lbf·in";
                    reason?: string;
                    /** Format: uuid */
                    wrenchId?: string;
                    instrument?: string;
                    settingNm?: number;
                    /** Format: uuid */
                    adapterId?: string;
                    angleDeg?: number;
                    remark?: string;
                    /** @enum {string} */
                    seal?: "new" | "again";
                    sealReason?: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                itemKey: string;
                /** @default null */
                stepKey?: null;
                /** @constant */
                action: "by feel";
                content: {
                    reason: string;
                    /** @enum {string} */
                    seal?: "new" | "again";
                    sealReason?: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                itemKey: string;
                /** @default null */
                stepKey?: null;
                /** @constant */
                action: "marked";
                content: Record<string, never>;
            } | {
                /** Format: uuid */
                id: string;
                itemKey: string;
                /** @default null */
                stepKey?: null;
                /** @constant */
                action: "shut";
                content: {
                    /** @enum {string} */
                    seal?: "new" | "again";
                    sealReason?: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                itemKey: string;
                /** @default null */
                stepKey?: null;
                /** @constant */
                action: "deferred";
                content: {
                    reason: string;
                    /** @enum {string} */
                    waitsFor: "the next outing" | "a part to arrive" | "a tool to arrive" | "a second person" | "it stands on its wheels";
                    /** @default  */
                    part?: string;
                    usable?: boolean;
                    /** @enum {string} */
                    seal?: "new" | "again";
                    sealReason?: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                itemKey: string;
                /** @default null */
                stepKey?: null;
                /** @constant */
                action: "found";
                content: {
                    /** @enum {string} */
                    how: "loose" | "over-tight" | "damaged" | "missing";
                    /** @default  */
                    note?: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                /** @default null */
                stepKey?: null;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "thing out";
                content: {
                    /** @enum {string} */
                    what: "spring" | "dowel" | "half ring" | "O-ring" | "stuck washer" | "rag in a hole" | "wire" | "key" | "other";
                    name: string;
                    /** @default 1 */
                    count?: number;
                };
            } | {
                /** Format: uuid */
                id: string;
                /** @default null */
                stepKey?: null;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "thing in";
                content: {
                    /** Format: uuid */
                    of: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                /** @default null */
                stepKey?: null;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "fetched";
                content: {
                    what: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                /** @default null */
                stepKey?: null;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "not fetched";
                content: {
                    /** Format: uuid */
                    of: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                /** @default null */
                stepKey?: null;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "passed over";
                content: {
                    /** Format: uuid */
                    fastenerId: string;
                    reason: string;
                };
            } | {
                /** Format: uuid */
                id: string;
                /** @default null */
                stepKey?: null;
                /** @default null */
                itemKey?: null;
                /** @constant */
                action: "reordered";
                content: {
                    order: string[];
                    /** @default  */
                    reason?: string;
                };
            };
        };
        VisitClose: {
            /** Format: uuid */
            visitId: string;
        };
        VisitGiveUp: {
            /** Format: uuid */
            visitId: string;
            reason: string;
        };
        PhotoAttach: {
            /** Format: uuid */
            photoId: string;
            /** Format: uuid */
            visitId: string;
            stepKey: string;
        };
        Refused: {
            /** @constant */
            ok: false;
            /** @description Why, by field, in words for a person */
            errors: {
                [key: string]: string;
            };
            more?: {
                [key: string]: unknown;
            };
        };
        Outcome: {
            /** Format: uuid */
            id: string;
            /** @constant */
            ok: true;
            data?: unknown;
        } | {
            /** Format: uuid */
            id: string;
            /** @constant */
            ok: false;
            /** @description Why, by field, in words for a person */
            errors: {
                [key: string]: string;
            };
            more?: {
                [key: string]: unknown;
            };
        };
    };
    responses: never;
    parameters: never;
    requestBodies: never;
    headers: never;
    pathItems: never;
}
export type $defs = Record<string, never>;
export interface operations {
    write: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** @description A name that your program keeps for itself */
                    device?: string;
                    /**
                     * Format: date-time
                     * @description Your clock when you send this
                     */
                    sent?: string;
                    commands: ({
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "person.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["PersonAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "person.leave";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["PersonLeave"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "rule.set";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["RuleSet"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "machine.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["MachineAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "machine.change";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["MachineChange"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "reading.log";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ReadingLog"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "reading.paste";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ReadingPaste"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "reading.strike";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ReadingStrike"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "odometer.log";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["OdometerLog"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "meter.change";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["MeterChange"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "outing.estimate";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["OutingEstimate"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "event.plan";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["EventPlan"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "event.call-off";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["EventCallOff"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "token.keep";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["TokenKeep"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "token.withdraw";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["TokenWithdraw"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "calendar.keep";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["CalendarKeep"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "calendar.withdraw";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["CalendarWithdraw"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "component.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ComponentAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "component.move";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ComponentMove"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "component.swap";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ComponentSwap"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "component.rebuild";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ComponentRebuild"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "component.scrap";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ComponentScrap"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "task.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["TaskAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "task.change";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["TaskChange"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "task.retire";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["TaskRetire"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "task.done";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["TaskDone"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "proposal.make";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ProposalMake"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "proposal.decide";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ProposalDecide"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "proposal.back-to-book";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ProposalBackToBook"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "call.report";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["CallReport"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "call.drop";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["CallDrop"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "finding.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FindingAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "finding.close";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FindingClose"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "finding.regrade";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FindingRegrade"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "finding.wait";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FindingWait"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "finding.photo";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FindingPhoto"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "reminder.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ReminderAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "reminder.note";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ReminderNote"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "fastener.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FastenerAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "fastener.change";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FastenerChange"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "fastener.remove";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FastenerRemove"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "figure.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FigureAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "figure.confirm";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FigureConfirm"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "sheet.copy";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["SheetCopy"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "modification.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ModificationAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "modification.note";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ModificationNote"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "wrench.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["WrenchAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "adapter.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["AdapterAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "oil.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["OilAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "oil.stock";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["OilStock"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "blades.add";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["BladesAdd"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "shims.count";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ShimsCount"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "shims.paste";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ShimsPaste"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "shims.level";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ShimsLevel"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "filter.keep";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FilterKeep"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "filter.washed";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["FilterWashed"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "store.retire";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["StoreRetire"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "head.set";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["HeadSet"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "head.sizes";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["HeadSizes"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "head.guide";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["HeadGuide"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "valve.measure";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ValveMeasure"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "valve.shim";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ValveShim"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "valve.plan";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ValvePlan"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "valve.fit";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ValveFit"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "valve.close";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ValveClose"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "valve.strike";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ValveStrike"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "chain.drive";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ChainDrive"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "chain.place";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ChainPlace"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "chain.measure";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ChainMeasure"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "chain.close";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ChainClose"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "chain.strike";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ChainStrike"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "chain.length";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ChainLength"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "chain.look";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ChainLook"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "chain.dress";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ChainDress"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "chain.strike-entry";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ChainStrikeEntry"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "chain.replace";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["ChainReplace"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "round.answer";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["RoundAnswer"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "round.strike";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["RoundStrike"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "round.checks";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["RoundChecks"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "job.save";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["JobSave"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "record.correct";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["RecordCorrect"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "visit.start";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["VisitStart"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "visit.enter";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["VisitEnter"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "visit.close";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["VisitClose"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "visit.give-up";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["VisitGiveUp"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    } | {
                        /**
                         * Format: uuid
                         * @description Made by you: sent twice, it is carried out once
                         */
                        id: string;
                        /** @constant */
                        kind: "photo.attach";
                        /**
                         * Format: date-time
                         * @description When it was done
                         */
                        at: string;
                        body: components["schemas"]["PhotoAttach"];
                        /**
                         * Format: uuid
                         * @description Another command of the list: where that one is refused, this one is not tried
                         */
                        after?: string | null;
                    })[];
                };
            };
        };
        responses: {
            /** @description Each was carried out or refused. */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /** @constant */
                        ok: true;
                        outcomes: components["schemas"]["Outcome"][];
                    };
                };
            };
            /** @description The key opens nothing: it is none, was withdrawn, or its person has left. */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description None could be tried. */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Refused"];
                };
            };
        };
    };
    team: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it stands now. */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /** Format: uuid */
                        id: string;
                        name: string;
                        timeZone: string;
                        /** Format: uuid */
                        you: string;
                        people: {
                            /** Format: uuid */
                            id: string;
                            name: string;
                            /** @enum {string} */
                            role: "chief mechanic" | "mechanic" | "rider" | "owner";
                        }[];
                    };
                };
            };
            /** @description What was sent is not what is described here. */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The key opens nothing: it is none, was withdrawn, or its person has left. */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Nothing of that id in this team. */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    machines: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it stands now. */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /** Format: uuid */
                        id: string;
                        plate: string;
                        name: string;
                        maker: string;
                        /** @enum {string} */
                        kind: "four-stroke enduro" | "two-stroke enduro" | "four-stroke motocross" | "two-stroke motocross" | "dual-sport" | "youth bike" | "sport quad" | "utility quad" | "electric";
                        riderId: string | null;
                        /** @description Running hours */
                        hours: number | null;
                        estimated: boolean;
                        ready: boolean;
                        /** @description A visit that stands open at it */
                        visitId: string | null;
                    }[];
                };
            };
            /** @description What was sent is not what is described here. */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The key opens nothing: it is none, was withdrawn, or its person has left. */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Nothing of that id in this team. */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    due: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it stands now. */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /** Format: uuid */
                        taskId: string;
                        name: string;
                        component: string | null;
                        /** @enum {string} */
                        state: "past limit" | "past due" | "due before the next outing" | "unknown" | "coming" | "clear";
                        /** @description In words: “2.1 h” */
                        left: string;
                        /** @description The steps it is done by */
                        job: string | null;
                    }[];
                };
            };
            /** @description What was sent is not what is described here. */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The key opens nothing: it is none, was withdrawn, or its person has left. */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Nothing of that id in this team. */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    readings: {
        parameters: {
            query?: {
                /** @description Of this machine only */
                machine?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it stands now. */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /** Format: uuid */
                        id: string;
                        /** Format: uuid */
                        machineId: string;
                        /** Format: date-time */
                        at: string;
                        /** @description What the meter showed, h */
                        shows: number | null;
                        /** @description Time ridden that no meter counted, h */
                        ridden: number | null;
                        instrument: string;
                    }[];
                };
            };
            /** @description What was sent is not what is described here. */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The key opens nothing: it is none, was withdrawn, or its person has left. */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Nothing of that id in this team. */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    findings: {
        parameters: {
            query?: {
                /** @description Of this machine only */
                machine?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it stands now. */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /** Format: uuid */
                        id: string;
                        machineId: string | null;
                        componentId: string | null;
                        what: string;
                        /** @enum {string} */
                        severity: "park the machine" | "fix now" | "tell the owner" | "watch";
                        /** Format: date */
                        foundOn: string;
                    }[];
                };
            };
            /** @description What was sent is not what is described here. */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The key opens nothing: it is none, was withdrawn, or its person has left. */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Nothing of that id in this team. */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    visit: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it stands now. */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /** Format: uuid */
                        id: string;
                        /** Format: uuid */
                        machineId: string;
                        title: string;
                        open: boolean;
                        steps: {
                            key: string;
                            title: string;
                            lines: string[];
                            caution: string | null;
                            /** @description What kind of answer it asks for. open: `done` takes its items off, with `pointedAt` where two look alike. close: each of its items by itself (`torqued`, `by feel`, `shut`), nothing at the step. pour: `ml` and `pour`, as often as was poured. What is refused says why. */
                            asks: string;
                            /** @description Keys of what it opens or shuts */
                            items: string[];
                            /** @description Whether it is asked for, as far as was answered */
                            called: boolean;
                            done: boolean;
                        }[];
                        items: {
                            key: string;
                            /** @description Where two look alike, point at the one: pointedAt */
                            fastenerId: string | null;
                            name: string;
                            place: string;
                            /** @enum {string} */
                            kind: "fastener" | "cap" | "part";
                            torque: {
                                from: {
                                    value: number;
                                    unit: string;
                                } | null;
                                to: {
                                    value: number;
                                    unit: string;
                                } | null;
                            } | null;
                            seal: string;
                            stand: string;
                        }[];
                    };
                };
            };
            /** @description What was sent is not what is described here. */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The key opens nothing: it is none, was withdrawn, or its person has left. */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Nothing of that id in this team. */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    records: {
        parameters: {
            query?: {
                /** @description Of this machine only */
                machine?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it stands now. */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /** Format: uuid */
                        id: string;
                        machineId: string | null;
                        task: string;
                        /** Format: date */
                        doneOn: string;
                        /** @description Running hours */
                        hours: number | null;
                        visitId: string | null;
                        remark: string;
                    }[];
                };
            };
            /** @description What was sent is not what is described here. */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The key opens nothing: it is none, was withdrawn, or its person has left. */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Nothing of that id in this team. */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    record: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it stands now. */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /** Format: uuid */
                        id: string;
                        machineId: string | null;
                        task: string;
                        /** Format: date */
                        doneOn: string;
                        /** @description Running hours */
                        hours: number | null;
                        remark: string;
                        by: string;
                        /** @description As it is kept; its shape stands in the description of the team’s file */
                        job: unknown;
                    };
                };
            };
            /** @description What was sent is not what is described here. */
            400: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The key opens nothing: it is none, was withdrawn, or its person has left. */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Nothing of that id in this team. */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
}

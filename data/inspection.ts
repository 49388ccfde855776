import { array, shipped } from '@/core/format';
import { inspectionSchema, scalesSchema } from '@/core/inspection';
import type { InspectionData } from '@/core/inspection';
import band from './inspection/band.json';
import bandAnchor from './inspection/band-anchor.json';
import bearing from './inspection/bearing.json';
import bushing from './inspection/bushing.json';
import carrier from './inspection/carrier.json';
import caseFile from './inspection/case.json';
import checks from './inspection/checks.json';
import converter from './inspection/converter.json';
import cooler from './inspection/cooler.json';
import debris from './inspection/debris.json';
import dog from './inspection/dog.json';
import drained from './inspection/drained.json';
import drum from './inspection/drum.json';
import endPlate from './inspection/end-plate.json';
import everyFile from './inspection/every.json';
import fastener from './inspection/fastener.json';
import filter from './inspection/filter.json';
import fluid from './inspection/fluid.json';
import fork from './inspection/fork.json';
import frictionFace from './inspection/friction-face.json';
import frictionPlate from './inspection/friction-plate.json';
import frictionPlates from './inspection/friction-plates.json';
import gasket from './inspection/gasket.json';
import gear from './inspection/gear.json';
import harness from './inspection/harness.json';
import kit from './inspection/kit.json';
import manualValve from './inspection/manual-valve.json';
import mesh from './inspection/mesh.json';
import oneWay from './inspection/one-way.json';
import outerSeal from './inspection/outer-seal.json';
import pack from './inspection/pack.json';
import pan from './inspection/pan.json';
import part from './inspection/part.json';
import passage from './inspection/passage.json';
import pawl from './inspection/pawl.json';
import pinions from './inspection/pinions.json';
import piston from './inspection/piston.json';
import planetary from './inspection/planetary.json';
import pressure from './inspection/pressure.json';
import pump from './inspection/pump.json';
import pumpCover from './inspection/pump-cover.json';
import rangeSwitch from './inspection/range-switch.json';
import seal from './inspection/seal.json';
import sensor from './inspection/sensor.json';
import sensorPart from './inspection/sensor-part.json';
import servo from './inspection/servo.json';
import shaft from './inspection/shaft.json';
import signs from './inspection/signs.json';
import snapRing from './inspection/snap-ring.json';
import solenoid from './inspection/solenoid.json';
import solenoidPart from './inspection/solenoid-part.json';
import speedSensor from './inspection/speed-sensor.json';
import spring from './inspection/spring.json';
import steelFace from './inspection/steel-face.json';
import steelPlate from './inspection/steel-plate.json';
import steelPlates from './inspection/steel-plates.json';
import thrust from './inspection/thrust.json';
import valve from './inspection/valve.json';
import valveBody from './inspection/valve-body.json';
import waveSpring from './inspection/wave-spring.json';
import scales from './inspection/scales.json';

/** What is looked at on every kind of thing, checked by the tests, so trusted here. A new file is one line more. */
export const inspection: InspectionData = {
  files: shipped(array(inspectionSchema), [
    band,
    bandAnchor,
    bearing,
    bushing,
    carrier,
    caseFile,
    checks,
    converter,
    cooler,
    debris,
    dog,
    drained,
    drum,
    endPlate,
    everyFile,
    fastener,
    filter,
    fluid,
    fork,
    frictionFace,
    frictionPlate,
    frictionPlates,
    gasket,
    gear,
    harness,
    kit,
    manualValve,
    mesh,
    oneWay,
    outerSeal,
    pack,
    pan,
    part,
    passage,
    pawl,
    pinions,
    piston,
    planetary,
    pressure,
    pump,
    pumpCover,
    rangeSwitch,
    seal,
    sensor,
    sensorPart,
    servo,
    shaft,
    signs,
    snapRing,
    solenoid,
    solenoidPart,
    speedSensor,
    spring,
    steelFace,
    steelPlate,
    steelPlates,
    thrust,
    valve,
    valveBody,
    waveSpring,
  ]),
  scales: shipped(scalesSchema, scales),
};

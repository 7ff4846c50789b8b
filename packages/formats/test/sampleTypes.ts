import { strToU8, zipSync } from "fflate";

/** A made-up moving light as a maker's file would describe it: two modes, a wheel with pictures, 16 and 24 bit, speeds, a highlight, and cells that repeat. */
export const DESCRIPTION = `<?xml version="1.0" encoding="UTF-8"?>
<GDTF DataVersion="1.2">
  <FixtureType Name="Lantern Mover" ShortName="LM" LongName="Lantern Mover" Manufacturer="Nobody &amp; Co" FixtureTypeID="0A1B2C3D-0000-4000-8000-000000000001">
    <AttributeDefinitions>
      <Attributes>
        <Attribute Name="Dimmer" Pretty="Dim" Feature="Dimmer.Dimmer" PhysicalUnit="LuminousIntensity"/>
        <Attribute Name="Pan" Pretty="P" Feature="Position.PanTilt" PhysicalUnit="Angle"/>
        <Attribute Name="Tilt" Pretty="T" Feature="Position.PanTilt" PhysicalUnit="Angle"/>
        <Attribute Name="Gobo1" Pretty="G1" Feature="Gobo.Gobo"/>
        <Attribute Name="Shutter1" Pretty="Sh1" Feature="Beam.Beam"/>
        <Attribute Name="Shutter1Strobe" Pretty="Strobe1" Feature="Beam.Beam" PhysicalUnit="Frequency"/>
        <Attribute Name="Zoom" Pretty="Zoom" Feature="Focus.Focus" PhysicalUnit="Angle"/>
        <Attribute Name="ColorAdd_R" Pretty="R" Feature="Color.RGB" PhysicalUnit="ColorComponent"/>
      </Attributes>
    </AttributeDefinitions>
    <Wheels>
      <Wheel Name="Gobo Wheel">
        <Slot Name="Open" Color="0.3127,0.3290,100"/>
        <Slot Name="Leaves" MediaFileName="leaves"/>
        <Slot Name="Bars" Color="0.64,0.33,21"/>
      </Wheel>
    </Wheels>
    <Geometries>
      <Geometry Name="Base">
        <GeometryReference Name="Cell 1" Geometry="Cell"><Break DMXBreak="1" DMXOffset="1"/></GeometryReference>
        <GeometryReference Name="Cell 2" Geometry="Cell"><Break DMXBreak="1" DMXOffset="2"/></GeometryReference>
      </Geometry>
      <Geometry Name="Cell"/>
    </Geometries>
    <DMXModes>
      <DMXMode Name="Basic" Geometry="Base">
        <DMXChannels>
          <DMXChannel DMXBreak="1" Offset="1,3" Geometry="Base" Highlight="32768/2">
            <LogicalChannel Attribute="Pan" Snap="No">
              <ChannelFunction Name="Pan 1" Attribute="Pan" DMXFrom="0/2" Default="32768/2" PhysicalFrom="-270" PhysicalTo="270" RealFade="2.5" RealAcceleration="0.5"/>
            </LogicalChannel>
          </DMXChannel>
          <DMXChannel DMXBreak="1" Offset="2,4" Geometry="Base" Highlight="None">
            <LogicalChannel Attribute="Tilt"><ChannelFunction Name="Tilt 1" Attribute="Tilt" DMXFrom="0/1" Default="128/1" PhysicalFrom="-120" PhysicalTo="120"/></LogicalChannel>
          </DMXChannel>
          <DMXChannel DMXBreak="1" Offset="5,6,7" Geometry="Base" Highlight="255/1">
            <LogicalChannel Attribute="Dimmer"><ChannelFunction Name="Dimmer 1" Attribute="Dimmer" DMXFrom="0/1" Default="0/1" PhysicalFrom="0" PhysicalTo="1"/></LogicalChannel>
          </DMXChannel>
          <DMXChannel DMXBreak="1" Offset="8" Geometry="Base" Highlight="0/1" InitialFunction="Base_Gobo1.Wheel">
            <LogicalChannel Attribute="Gobo1" Snap="Yes">
              <ChannelFunction Name="Wheel" Attribute="Gobo1" DMXFrom="0/1" Default="0/1" PhysicalFrom="0" PhysicalTo="1" Wheel="Gobo Wheel">
                <ChannelSet Name="Open" DMXFrom="0/1" WheelSlotIndex="1"/>
                <ChannelSet Name="Leaves" DMXFrom="20/1" WheelSlotIndex="2"/>
                <ChannelSet Name="Bars" DMXFrom="40/1" WheelSlotIndex="3"/>
              </ChannelFunction>
            </LogicalChannel>
          </DMXChannel>
          <DMXChannel DMXBreak="1" Offset="9" Geometry="Base" Highlight="20/1">
            <LogicalChannel Attribute="Shutter1">
              <ChannelFunction Name="Open" Attribute="Shutter1" DMXFrom="0/1" Default="20/1" PhysicalFrom="1" PhysicalTo="1"/>
              <ChannelFunction Name="Strobe" Attribute="Shutter1Strobe" DMXFrom="64/1" PhysicalFrom="1" PhysicalTo="20"/>
            </LogicalChannel>
          </DMXChannel>
          <DMXChannel DMXBreak="1" Offset="10" Geometry="Cell" Highlight="255/1">
            <LogicalChannel Attribute="ColorAdd_R"><ChannelFunction Name="R" Attribute="ColorAdd_R" DMXFrom="0/1" Default="255/1" PhysicalFrom="0" PhysicalTo="1"/></LogicalChannel>
          </DMXChannel>
          <DMXChannel DMXBreak="2" Offset="1" Geometry="Base" Highlight="None">
            <LogicalChannel Attribute="Zoom"><ChannelFunction Name="Zoom 1" Attribute="Zoom" DMXFrom="0/1" Default="0/1" PhysicalFrom="8" PhysicalTo="48"/></LogicalChannel>
          </DMXChannel>
        </DMXChannels>
      </DMXMode>
      <DMXMode Name="Small" Geometry="Base">
        <DMXChannels>
          <DMXChannel Offset="" Geometry="Base"><LogicalChannel Attribute="Dimmer"><ChannelFunction Name="D" Attribute="Dimmer" DMXFrom="0/1"/></LogicalChannel></DMXChannel>
          <DMXChannel Offset="1" Geometry="Base"><LogicalChannel Attribute="Pan"><ChannelFunction Name="Pan 1" Attribute="Pan" DMXFrom="0/1" Default="0/1" PhysicalFrom="270" PhysicalTo="-270"/></LogicalChannel></DMXChannel>
        </DMXChannels>
        <Relations><Relation Name="r" Master="a" Follower="b" Type="Multiply"/></Relations>
      </DMXMode>
    </DMXModes>
  </FixtureType>
</GDTF>`;

/** A picture of one point, PNG. */
const PNG = Uint8Array.from([137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13]);

/** The file of the made-up light. */
export function sampleGdtf(description = DESCRIPTION): Uint8Array {
  return zipSync({ "description.xml": strToU8(description), "wheels/leaves.png": PNG, "thumbnail.png": PNG });
}

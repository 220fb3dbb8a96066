import type { Migration } from '../migration.ts';

/** More fibres and kinds of blanks, dye by colour, what sheets say for polyester and caps, and what people chose to work with. */
export const fabricsAndSources: Migration = {
  name: '20260425T0900-fabrics-and-sources',
  up: `
    alter table garment_style drop constraint fibres_are_whole;
    alter table garment_style
      add viscose double precision not null default 0, add modal double precision not null default 0, add linen double precision not null default 0,
      add wool double precision not null default 0, add silk double precision not null default 0, add acrylic double precision not null default 0,
      add leatherette double precision not null default 0;
    update garment_style set leatherette = other, other = 0 where kind = 'patch';
    alter table garment_style
      add constraint fibres_are_whole check (
        abs(cotton + polyester + elastane + nylon + viscose + modal + linen + wool + silk + acrylic + leatherette + other - 1) < 0.002),
      add constraint fibres_are_shares check (
        least(viscose, modal, linen, wool, silk, acrylic, leatherette) >= 0 and greatest(viscose, modal, linen, wool, silk, acrylic, leatherette) <= 1);
    -- white is taken to have no dye in it; a style's dye known to wander is that of its colours
    alter table garment_colour add dye text not null default 'dyed' check (dye in ('undyed', 'dyed', 'migrating'));
    update garment_colour c set dye = case when c.tone = 'light' then 'undyed' when s.dye_migrates then 'migrating' else 'dyed' end
      from garment_style s where s.id = c.style_id;
    alter table garment_colour alter dye drop default;
    alter table garment_style drop column dye_migrates;
    update material set properties = '{"polyesterCureC": null, "polyesterCureS": null}' || properties where kind = 'ink';
    update material set properties = '{"blocksDye": false}' || properties where kind = 'powder';
    update material set properties = '{"pull": "slow", "capPressC": null, "capDwellS": null, "capKPa": null}' || properties where kind = 'bought-in';
    update machine set properties = '{"heatsPerMin": 12, "coolsPerMin": 2.5}' || properties where kind in ('press', 'cap-press');
    update machine set properties = '{"dial": []}' || properties where kind = 'sprayer';
    update shop_setting set document = '{"layerDrying": "pause", "dryPressure": "light", "centring": "ruler", "capSecondPress": "none", "subHeat": "middle"}' || document where key = 'house';
    alter table route_version add sources jsonb not null default '[]';
    alter table route_version alter sources drop default;
  `,
  down: `
    alter table route_version drop column sources;
    update shop_setting set document = document - 'layerDrying' - 'dryPressure' - 'centring' - 'capSecondPress' - 'subHeat' where key = 'house';
    update machine set properties = properties - 'dial' where kind = 'sprayer';
    update machine set properties = properties - 'heatsPerMin' - 'coolsPerMin' where kind in ('press', 'cap-press');
    update material set properties = properties - 'polyesterCureC' - 'polyesterCureS' where kind = 'ink';
    update material set properties = properties - 'blocksDye' where kind = 'powder';
    update material set properties = properties - 'pull' - 'capPressC' - 'capDwellS' - 'capKPa' where kind = 'bought-in';
    alter table garment_style add dye_migrates boolean not null default false;
    update garment_style s set dye_migrates = true where exists (select 1 from garment_colour c where c.style_id = s.id and c.dye = 'migrating');
    alter table garment_colour drop column dye;
    alter table garment_style drop constraint fibres_are_whole, drop constraint fibres_are_shares;
    update garment_style set other = other + viscose + modal + linen + wool + silk + acrylic + leatherette;
    alter table garment_style drop column viscose, drop column modal, drop column linen, drop column wool, drop column silk, drop column acrylic,
      drop column leatherette;
    alter table garment_style add constraint fibres_are_whole check (abs(cotton + polyester + elastane + nylon + other - 1) < 0.002);
  `,
};

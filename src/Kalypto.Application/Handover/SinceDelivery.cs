using Kalypto.Application.Building;
using Kalypto.Core.Handover;
using Kalypto.Core.Styling;

namespace Kalypto.Application.Handover;

/// <summary>Says what on a plate is new or other than in the delivery before.</summary>
public sealed class SinceDelivery(OpenDelivery deliveries, Deliveries compare)
{
    /// <summary>The numbers on a plate that stand for something new, and the delivery that it is new since; null when there is none before.</summary>
    public async Task<(int Number, IReadOnlySet<int> Pins)?> NewOnAsync(Delivered delivered, int design, Plate plate, CancellationToken cancel)
    {
        if (await compare.CompareAsync(delivered.Row.ProjectId, delivered.Row.Number ?? 0, null, cancel) is not { From.Number: { } since } compared
            || await deliveries.LoadAsync(delivered.Row.ProjectId, since, cancel) is not { } before
            || delivered.Workspace.FindDesign(design) is not var (row, state))
        {
            return null;
        }
        var changed = compared.Changes.Files.Where(c => c.IsNew || c.IsChanged).Select(c => c.File.Path).ToHashSet(StringComparer.Ordinal);
        var other = before.Workspace.FindDesign(design);
        var found = new HashSet<int>();
        foreach (var pin in plate.Pins)
        {
            if (pin.Kind == PinKind.Picture)
            {
                if (delivered.PictureOf(new(design, pin.Layer)) is { } picture && delivered.FilesOf(picture).Any(f => changed.Contains(f.Path)))
                {
                    found.Add(pin.Number);
                }
            }
            else if (other is not var (then, was) || then.Lineages.OrdinalOf(row.Lineages.Of(pin.Layer)) is not { } ordinal || was.MarkOf(was.Layers[ordinal]).Decision != state.MarkOf(state.Layers[pin.Layer]).Decision
                || await ValuesAsync(before, design, ordinal, cancel) is not { } values || !values.Equals(plate.Values.GetValueOrDefault(pin.Layer)))
            {
                found.Add(pin.Number);
            }
        }
        return (since, found);
    }

    private async Task<LayerValues?> ValuesAsync(Delivered before, int design, int ordinal, CancellationToken cancel) =>
        before.Workspace.FindLayer(design, ordinal) is var (_, state, layer) && state.Measured.ScreenOf(layer) is { } screen && await deliveries.PlateAsync(before, design, screen.Root.Ordinal, cancel) is { } plate
            ? plate.Values.GetValueOrDefault(ordinal) : null;
}

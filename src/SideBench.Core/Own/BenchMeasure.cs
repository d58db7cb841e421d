using System.Globalization;
using SideBench.Core.Record;

namespace SideBench.Core.Own;

/// <summary>A figure of a model as lines of the record measured it.</summary>
/// <param name="Pointer">Which figure.</param>
/// <param name="Value">In the figure's unit.</param>
/// <param name="Factor">8 of 10 such measurements are right within this factor, up and down.</param>
/// <param name="Line">The line that completed it.</param>
/// <param name="Says">Between what it was measured, in words.</param>
public sealed record BenchMeasure(string Pointer, double Value, double Factor, Entry Line, string Says)
{
    /// <summary>What it is called in the model's file, once it is taken: a line of another shop is never the same.</summary>
    public string Key => string.Create(CultureInfo.InvariantCulture, $"{Pointer}@{Line.Id.Value}-{Line.At.UtcDateTime:yyyyMMddHHmmss}");
}

/// <summary>How far measurements at the bench are off.</summary>
/// <param name="Density">What ink weighs, by its kind, g/ml.</param>
/// <param name="ScaleSd">A weighing of a cartridge, g, one standard deviation.</param>
/// <param name="StoreSd">A weighing of a waste store, g.</param>
/// <param name="CounterStep">Steps in which a counter is read, points.</param>
public sealed record BenchNoise(IReadOnlyDictionary<string, double> Density, double ScaleSd, double StoreSd, double CounterStep);

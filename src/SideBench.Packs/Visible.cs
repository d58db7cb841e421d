[assembly: System.Runtime.CompilerServices.InternalsVisibleTo("SideBench.Packs.Tests")]

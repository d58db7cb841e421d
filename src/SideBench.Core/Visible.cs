[assembly: System.Runtime.CompilerServices.InternalsVisibleTo("SideBench.Core.Tests")]
